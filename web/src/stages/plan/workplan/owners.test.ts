import { expect, test } from "vitest";
import { ownersOf, ownersText } from "./owners";

test("owners are read a line each, keep their days, and are written so", () => {
  const known = [{ name: "Tomas", hours_per_day: 6, off: ["2027-01-04"] }];
  expect(ownersOf("Ines Rasten 6\n\n Tomas 4,5 ", known)).toEqual([
    { name: "Ines Rasten", hours_per_day: 6 },
    { name: "Tomas", hours_per_day: 4.5, off: ["2027-01-04"] },
  ]);
  expect(ownersText([{ name: "Ines Rasten", hours_per_day: 6 }])).toBe("Ines Rasten 6");
});

test("what can't be read is told", () => {
  expect(["Ines", "Ines 0", "Ines 25", "6"].map((text) => ownersOf(text))).toEqual([null, null, null, null]);
});
