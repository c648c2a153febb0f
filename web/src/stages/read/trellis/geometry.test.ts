import { describe, expect, it } from "vitest";
import { climbing, FIRST, LAST, thickness, uprightAt, vine } from "./geometry";

const RUNGS = [{ name: "found" }, { name: "allowed" }] as Parameters<typeof climbing>[1];

describe("the trellis", () => {
  it("has its uprights from the first to the last, evenly", () => {
    expect([uprightAt(0), uprightAt(7)]).toEqual([FIRST, LAST]);
    expect(uprightAt(2) - uprightAt(1)).toBeCloseTo(uprightAt(1) - uprightAt(0));
  });

  it("draws four times the pages twice as thick, and a single page still visibly", () => {
    expect(thickness(400, 400)).toBeCloseTo(2 * thickness(100, 400));
    expect(thickness(1, 1_000_000)).toBeGreaterThan(1);
    expect(thickness(0, 400)).toBe(0);
  });

  it("counts who still climbs before each rung and after the last", () => {
    const group = { pages: 10, stops: { found: 3, allowed: 1 } } as unknown as Parameters<typeof climbing>[0];
    expect(climbing(group, RUNGS)).toEqual([10, 7, 6]);
  });

  it("closes the outline of a vine without a number that is none", () => {
    const outline = vine([10, 7, 7, 7, 7, 7, 7, 6], 7, 60, 10, 0);
    expect(outline).toMatch(/^M[\d. L-]+Z$/);
    expect(outline).not.toContain("NaN");
  });
});
