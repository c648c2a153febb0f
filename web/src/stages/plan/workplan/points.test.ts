import { expect, test } from "vitest";
import { points } from "./points";

test("a line rises at the end of its days", () => {
  const frame = { days: 4, zoom: 10, height: 100, most: 50 };
  expect(
    points(
      [
        [0, 0],
        [1, 25],
      ],
      frame,
    ),
  ).toBe("0,104 0,104 20,104 20,54 40,54");
});
