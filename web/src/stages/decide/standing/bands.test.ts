import { expect, test } from "vitest";
import { bands, outline } from "./bands";
import type { StandingHistory } from "./useStanding";

const DAYS: StandingHistory["days"] = [
  { day: "2026-11-01", states: { in_index: 6, missing: 2 }, useless: 0 },
  { day: "2026-11-11", states: { in_index: 10 }, useless: 0 },
];

test("bands lie one upon the other and fill the height where there is most", () => {
  const [low, high] = bands(DAYS, ["in_index", "missing"], 100, 50);
  expect(low?.points).toEqual([
    { x: 0, from: 50, to: 20 },
    { x: 100, from: 50, to: 0 },
  ]);
  expect(high?.points[0]).toEqual({ x: 0, from: 20, to: 10 });
});

test("a single day is a bar over the whole width", () => {
  const [only] = bands(DAYS.slice(0, 1), ["in_index"], 100, 50);
  expect(only && outline(only, 100)).toBe("M0.0,12.5L100.0,12.5L100.0,50.0L0.0,50.0Z");
});
