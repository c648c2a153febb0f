import { expect, test } from "vitest";
import { placeOf } from "./place";

test("the rule goes from the first place to the hundredth", () => {
  expect([0, 1, 10, 100, 250].map(placeOf)).toEqual([0, 0, 50, 100, 100]);
});
