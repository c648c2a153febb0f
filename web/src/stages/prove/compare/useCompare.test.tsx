// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "../../../kit/testing";
import { useCompare } from "./useCompare";

const crawl = (number: number, scope = "whole", state = "finished") => ({ id: number * 10, number, scope, state });

async function compared(query = "") {
  answers({
    "/api/sites": [200, { sites: [{ id: 1 }], removed: [] }],
    "/api/sites/1/crawls": [
      200,
      { crawls: [crawl(5), crawl(4, "partial"), crawl(3), crawl(2, "whole", "failed"), crawl(1)], removed: [] },
    ],
  });
  const { result } = renderHook(() => useCompare(), { wrapper: within(`/s/1/c/50/prove/compare${query}`) });
  await waitFor(() => expect(result.current.screen.state).toBe("ready"));
  return result;
}

test("a crawl is held against the finished one of the whole site that came before it", async () => {
  const { current } = await compared();
  expect(current.earlier.map((one) => one.number)).toEqual([3, 1]);
  expect(current.chosen?.number).toBe(3);
});

test("or against the one that the address names, if it can be", async () => {
  const found = await compared("?with=10");
  expect(found.current.chosen?.number).toBe(1);
  act(() => found.current.choose("40"));
  expect(found.current.chosen?.number).toBe(3);
});
