// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { Crawl } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { isFetching, STATES } from "./states";
import { useControls, useLive } from "./useLive";

const crawl = (state: Crawl["state"]) => ({ id: 7, site_id: 1, state }) as Crawl;
const wrapper = within("/s/1/c/7/crawl/live");

test("a crawl that runs is asked for again, one that ended isn’t", async () => {
  const asked = answers({ "/api/crawls/7/live": [200, { fetched: 1 }] });
  const running = renderHook(() => useLive(crawl("crawling")), { wrapper });
  await waitFor(() => expect(asked.length).toBeGreaterThan(1));
  running.unmount();
  const before = asked.length;
  const { result } = renderHook(() => useLive(crawl("finished")), { wrapper: within("/s/1/c/7/crawl/live") });
  await waitFor(() => expect(result.current.isSuccess).toBe(true));
  expect(asked).toHaveLength(before + 1);
});

test("what could not be paused says why", async () => {
  answers({ "/api/crawls/7/pause": [409, { status: 409, detail: "Crawl 7 is over." }] });
  const { result } = renderHook(() => useControls(crawl("crawling")), { wrapper });
  expect(result.current.error).toBeNull();
  act(() => result.current.pause.mutate());
  await waitFor(() => expect(result.current.error?.message).toBe("Crawl 7 is over."));
});

test("of every state is known what it is called, and whether it fetches", () => {
  const fetching = (Object.keys(STATES) as Crawl["state"][]).filter(isFetching);
  expect(fetching).toEqual(["waiting", "crawling", "paused"]);
});
