import { expect, test } from "vitest";
import { dayAfter, daysBetween, mondays, spans } from "./days";

test("days are counted over the end of a year and of summer time", () => {
  expect(dayAfter("2026-12-30", 3)).toBe("2027-01-02");
  expect(daysBetween("2026-10-24", "2026-10-26")).toBe(2);
  expect(daysBetween("2026-11-29", dayAfter("2026-11-29", 200))).toBe(200);
});

test("weeks begin on Mondays", () => {
  expect(mondays("2027-01-04", 15)).toEqual([0, 7, 14]);
  expect(mondays("2026-11-29", 9)).toEqual([1, 8]);
});

test("days that follow each other are one span", () => {
  expect(spans([0, 5, 6, 7, 12])).toEqual([
    [0, 1],
    [5, 8],
    [12, 13],
  ]);
  expect(spans([])).toEqual([]);
});
