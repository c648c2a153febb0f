// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "../../../kit/testing";
import type { FaultSum } from "./types";
import { useOccurrences } from "./useOccurrences";

const RULE = { code: "title-missing" } as FaultSum;
const QUERY = { group: "/a/", host: undefined, same: undefined, text: undefined };

/** The places of a fault, so many at a time. */
function places(all: number, at_once: number) {
  const asked = answers({
    "/api/crawls/7/faults/title-missing": ({ url }) => {
      const from = Number(url.searchParams.get("from") ?? 0);
      const rows = Array.from({ length: Math.min(at_once, all - from) }, (_, place) => ({ url: `/${from + place}` }));
      return [200, { rows, total: all }];
    },
  });
  const { result } = renderHook(() => useOccurrences({ crawl: 7, rule: RULE, query: QUERY }), {
    wrapper: within("/s/1/c/7/read/faults"),
  });
  return { asked, result };
}

test("places are fetched on from those that are known, until all are", async () => {
  const { asked, result } = places(5, 2);
  await waitFor(() => expect(result.current.places.state).toBe("ready"));
  for (const known of [4, 5]) {
    act(() => void result.current.more.fetchNextPage());
    await waitFor(() => expect(result.current.more.data?.pages.flatMap((page) => page.rows)).toHaveLength(known));
  }
  expect(result.current.more.hasNextPage).toBe(false);
  expect(asked.map((one) => one.url.searchParams.get("from"))).toEqual(["0", "2", "4"]);
  expect(asked[0]?.url.searchParams.get("group")).toBe("/a/");
});

test("where rows are fewer than were counted it isn’t asked for ever", async () => {
  const { result } = places(0, 2);
  await waitFor(() => expect(result.current.places.state).toBe("ready"));
  expect(result.current.more.hasNextPage).toBe(false);
});
