// @vitest-environment jsdom
import { useQuery } from "@tanstack/react-query";
import { renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { useCrawls } from "../kit/queries";
import { answers, crawlOf, within } from "../kit/testing";
import { useNewVerdicts } from "./useNewVerdicts";

/** A crawl whose verdicts are worked out again while it is looked at, and what was read of it and of another. */
test("what was read of a crawl is read anew once it was judged again, and nothing else", async () => {
  const runs = [crawlOf({ run: 3, judged_again: true }), crawlOf({ run: 4 })];
  answers({
    "/api/sites": [200, { sites: [{ id: 1 }], removed: [] }],
    "/api/sites/1/crawls": () => [200, { crawls: [runs.length > 1 ? runs.shift() : runs[0]], removed: [] }],
  });
  const reads = { of: 0, other: 0 };
  const { result } = renderHook(
    () => {
      useNewVerdicts();
      useQuery({ queryKey: ["totals", 7], queryFn: () => (reads.of += 1) });
      useQuery({ queryKey: ["totals", 8], queryFn: () => (reads.other += 1) });
      return useCrawls(1);
    },
    { wrapper: within("/s/1/c/7/read/ledger") },
  );
  await waitFor(() => expect(result.current.data?.[0]?.run).toBe(3));
  expect(reads).toEqual({ of: 1, other: 1 });
  await waitFor(() => expect(result.current.data?.[0]?.run).toBe(4));
  await waitFor(() => expect(reads).toEqual({ of: 2, other: 1 }));
});
