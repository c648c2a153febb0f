// @vitest-environment jsdom
import { renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "./testing";
import { useCurrent } from "./useCurrent";
import { useFinished } from "./useFinished";

const crawl = (id: number, state: string, scope = "whole") => ({ id, number: id, state, scope, judged_again: false });
const given = (crawls: object[]) =>
  answers({
    "/api/sites": [200, { sites: [{ id: 1, name: "a" }], removed: [] }],
    "/api/sites/1/crawls": [200, { crawls, removed: [] }],
  });

const current = async (crawls: object[], address = "/s/1/c/latest/read") => {
  given(crawls);
  const { result } = renderHook(() => useCurrent(), { wrapper: within(address) });
  await waitFor(() => expect(result.current.loading).toBe(false));
  return result.current;
};

test("the latest is the newest judged crawl of the whole site, though one of some URLs came after it", async () => {
  const found = await current([crawl(4, "finished", "partial"), crawl(3, "finished"), crawl(2, "finished")]);
  expect(found.crawl?.id).toBe(3);
  expect(found.site?.name).toBe("a");
});

test("a crawl of some URLs is the latest where there is no other", async () => {
  expect((await current([crawl(4, "finished", "partial")])).crawl?.id).toBe(4);
});

test("one that runs is told beside the latest, and is it only where the address names it", async () => {
  const both = [crawl(5, "finished"), crawl(4, "finished")];
  expect((await current(both)).running).toBeUndefined();
  expect((await current(both, "/s/1/c/4/read")).crawl?.id).toBe(4);
  expect((await current(both, "/s/1/c/77/read")).crawl).toBeUndefined();
});

test("what needs a finished crawl says what is waited for until there is one", async () => {
  given([crawl(2, "failed")]);
  const wrapper = within("/s/1/c/2/read");
  const { result } = renderHook(() => useFinished("There is something to read then."), { wrapper });
  expect(result.current).toEqual({ state: "loading", what: "the crawls" });
  await waitFor(() => expect(result.current).toEqual({ state: "empty", why: "There is something to read then." }));
});

test("where the crawls can’t be read, it says why", async () => {
  answers({ "/api/sites": [503, { status: 503, detail: "PostgreSQL can’t be reached." }] });
  const { result } = renderHook(() => useFinished(""), { wrapper: within("/s/1/c/2/read") });
  await waitFor(() => expect(result.current.state).toBe("failed"));
  expect(result.current).toMatchObject({ error: { message: "PostgreSQL can’t be reached.", status: 503 } });
});
