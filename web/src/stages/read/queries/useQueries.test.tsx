// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { Crawl } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { BAND, type Row, useQueries } from "./useQueries";

const CRAWL = { id: 7, run: 3 } as Crawl;

function queries(query = "") {
  const asked = answers({
    "/api/crawls/7/queries": [200, { rows: [], total: 0 }],
    "POST /api/sites/1/fixes": [200, { id: "f1" }],
  });
  return { asked, ...renderHook(() => useQueries(CRAWL), { wrapper: within(`/s/1/c/7/read/queries${query}`) }) };
}

test("at first near wins of a short while are asked for", async () => {
  const { asked, result } = queries();
  await waitFor(() => expect(result.current.found.state).toBe("ready"));
  expect(Object.fromEntries(asked[0]?.url.searchParams ?? [])).toEqual({
    by: "query",
    order: "near",
    span: "short",
    from: "0",
    first: String(BAND.first),
    last: String(BAND.last),
    least: String(BAND.least),
  });
});

test("pages don’t compete with each other for themselves: by page the order is near wins", () => {
  expect(queries("?by=page&order=competing").result.current.order).toBe("near");
  expect(queries("?by=query&order=competing").result.current.order).toBe("competing");
});

test("a part of the text is asked for when the hand rests", async () => {
  const { asked, result } = queries();
  act(() => result.current.setTyped("brass"));
  await waitFor(() => expect(asked.at(-1)?.url.searchParams.get("text")).toBe("brass"));
});

test("work for who writes is on the page that is known of those shown, or on none", async () => {
  const { asked, result } = queries();
  const row = (pages: object[]) => ({ query: "brass lamp", impressions: 900, position: 9.4, pages }) as unknown as Row;
  act(() => result.current.write.mutate(row([{ url: null }, { url: "http://a.test/lamp" }])));
  await waitFor(() => expect(result.current.write.isSuccess).toBe(true));
  act(() => result.current.write.mutate(row([])));
  await waitFor(() => expect(asked.filter((one) => one.method === "POST")).toHaveLength(2));
  expect(asked.filter((one) => one.method === "POST").map((one) => (one.body as { urls: string[] }).urls)).toEqual([
    ["http://a.test/lamp"],
    [],
  ]);
});
