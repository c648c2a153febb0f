import { expect, test } from "vitest";
import { ownersOf, ownersText } from "./owners";

test("owners are read a line each, and written so", () => {
  expect(ownersOf("Ines Rasten 6\n\n Tomas 4,5 ")).toEqual({ "Ines Rasten": 6, Tomas: 4.5 });
  expect(ownersText([{ name: "Ines Rasten", hours_per_day: 6 }])).toBe("Ines Rasten 6");
});

test("what can't be read is told", () => {
  expect(["Ines", "Ines 0", "Ines 25", "6"].map(ownersOf)).toEqual([null, null, null, null]);
});
