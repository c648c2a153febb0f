import { expect, test } from "vitest";
import { spanChoices } from "./spans";

test("windows are named by how long they are", () => {
  const windows = {
    short: ["2026-11-01", "2026-11-28"],
    middle: ["2026-05-29", "2026-11-28"],
    long: ["2025-07-29", "2026-11-28"],
  };
  expect(spanChoices(windows).map((one) => one.label)).toEqual(["28 days", "6 months", "16 months"]);
  expect(spanChoices(null)).toEqual([]);
});
