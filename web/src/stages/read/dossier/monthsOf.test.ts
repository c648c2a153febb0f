import { expect, test } from "vitest";
import { monthsOf } from "./monthsOf";

const month = (name: string) => ({ month: name, clicks: 1, impressions: 2, position: null });

test("months without a record stand on the axis, over the turn of a year", () => {
  const axis = monthsOf([month("2025-11")], [month("2026-02")]);
  expect(axis.map((one) => one.month)).toEqual(["2025-11", "2025-12", "2026-01", "2026-02"]);
  expect(axis[0]?.heir).toBeUndefined();
  expect(axis[3]?.heir?.clicks).toBe(1);
});
