import { expect, it } from "vitest";
import { bytes, counted, duration, ruleSource } from "./format";

it.each([
  [1, "1 URL"],
  [0, "0 URLs"],
  [12, "12 URLs"],
])("says how many: %d", (value, text) => expect(counted(value, "URL")).toBe(text));

it.each([
  [41, "41 s"],
  [89.4, "89 s"],
  [90, "2 min"],
  [5400, "1 h 30 min"],
])("says how long: %d", (seconds, text) => expect(duration(seconds)).toBe(text));

it.each([
  [999, "999 B"],
  [1000, "1 KB"],
  [999_999, "1000 KB"],
  [3_400_000, "3.4 MB"],
])("says how large: %d", (value, text) => expect(bytes(value)).toBe(text));

it("writes sources out", () => {
  expect(ruleSource("CP")).toBe("Common practice");
  expect(ruleSource("RFC 9309; CP")).toBe("RFC 9309; common practice");
});
