// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { Crawl } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { NO_EVIDENCE, useHistory, useLeftOut, useNow } from "./useStanding";

const CRAWL = { id: 7, run: 3 } as Crawl;
const at = (query = "") => ({ wrapper: within(`/s/1/c/7/decide/standing${query}`) });

test("without evidence it says where to bring some", async () => {
  answers({
    "/api/crawls/7/standing": [200, { date: null }],
    "/api/crawls/7/standing/history": [200, { days: [] }],
  });
  const now = renderHook(() => useNow(CRAWL), at()).result;
  const history = renderHook(() => useHistory(CRAWL), at()).result;
  await waitFor(() => expect(now.current).toEqual({ state: "empty", why: NO_EVIDENCE }));
  await waitFor(() => expect(history.current.history).toEqual({ state: "empty", why: NO_EVIDENCE }));
});

test("the days of one group are asked for by its name", async () => {
  const asked = answers({ "/api/crawls/7/standing/history": [200, { days: [{ day: "2027-01-04", states: {} }] }] });
  const { result } = renderHook(() => useHistory(CRAWL), at("?group=%2Flamps%2F"));
  await waitFor(() => expect(result.current.history.state).toBe("ready"));
  expect(asked[0]?.url.searchParams.get("group")).toBe("/lamps/");
  act(() => result.current.choose(undefined));
  await waitFor(() => expect(asked.at(-1)?.url.search).toBe(""));
});

const LIST = { rows: [{ url: "http://a.test/1" }], classes: [] };

test("what was chosen is forgotten when another tray is opened, and once it was put elsewhere", async () => {
  const asked = answers({
    "GET /api/crawls/7/left-out": [200, LIST],
    "POST /api/crawls/7/left-out/class": [200, { put: 1 }],
  });
  const { result } = renderHook(() => useLeftOut(CRAWL), at("?class=thin"));
  await waitFor(() => expect(result.current.list.state).toBe("ready"));
  expect(asked[0]?.url.searchParams.get("class")).toBe("thin");
  act(() => result.current.choose(["a", "b", "c"], true));
  act(() => result.current.choose(["b"], false));
  expect(result.current.chosen).toEqual(["a", "c"]);
  act(() => result.current.put.mutate({ to: "settled", urls: result.current.chosen }));
  await waitFor(() => expect(result.current.chosen).toEqual([]));
  expect(asked.find((one) => one.method === "POST")?.body).toEqual({ to: "settled", urls: ["a", "c"] });
  act(() => result.current.choose(["a"], true));
  act(() => result.current.open("copy"));
  expect(result.current.chosen).toEqual([]);
});

test("choosing twice is choosing once", () => {
  answers({ "/api/crawls/7/left-out": [200, LIST] });
  const { result } = renderHook(() => useLeftOut(CRAWL), at());
  act(() => result.current.choose(["a"], true));
  act(() => result.current.choose(["a"], true));
  expect(result.current.chosen).toEqual(["a"]);
});

test("sorting tells how far it is while it is at it, and reads the list anew when it ends, well or not", async () => {
  const states = [
    { state: "running", done: 2, total: 9 },
    { state: "failed", problem: { code: "away", detail: "The site was away." } },
  ];
  const asked = answers({
    "GET /api/crawls/7/left-out": [200, LIST],
    "POST /api/crawls/7/left-out": [200, { task: 5 }],
    "/api/tasks/5": () => [200, { id: 5, kind: "triage", ...(states.length > 1 ? states.shift() : states[0]) }],
  });
  const { result } = renderHook(() => useLeftOut(CRAWL), at());
  await waitFor(() => expect(result.current.list.state).toBe("ready"));
  act(() => result.current.sort.mutate(true));
  await waitFor(() => expect(result.current.looked).toEqual([2, 9]));
  await waitFor(() => expect(result.current.sort.error?.message).toBe("The site was away."));
  expect(result.current.looked).toBeNull();
  await waitFor(() =>
    expect(asked.filter((one) => one.method === "GET" && one.url.pathname.endsWith("left-out"))).toHaveLength(2),
  );
});
