import { expect, test } from "vitest";
import { shownPlaces } from "./shown";

test("a list keeps its own columns, also those named as ours are", () => {
  expect(shownPlaces(["Page", "status", "matched_by", "url", "status", "live_status"])).toEqual([0, 1, 2, 4, 5]);
});
