// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { answers, within } from "../../../kit/testing";
import { useDeskPage } from "./useDeskPage";

afterEach(() => void vi.useRealTimers());

const PAGE = "/api/sites/1/desk/42";
const ADDRESS = "/s/1/c/7/decide/desk?page=42";
const sheet = (draft: object) => ({ url: "http://a.test/", terms: [], draft });

/** A page at the desk whose sheet was read. */
async function atDesk(draft: object = { title: "As kept" }) {
  const asked = answers({
    [`GET ${PAGE}`]: [200, sheet(draft)],
    [`PUT ${PAGE}`]: ({ body }) => [200, sheet((body as { draft: object }).draft)],
    [`${PAGE}/pictures`]: [200, { pictures: [{ url: "http://a.test/a.png", preview: "data:image/png;base64,AA" }] }],
  });
  const hook = renderHook(() => useDeskPage(1, "42"), { wrapper: within(ADDRESS) });
  await waitFor(() => expect(hook.result.current.sheet.state).toBe("ready"));
  const kept = () => asked.filter((one) => one.method === "PUT").map((one) => one.body);
  return { ...hook, kept };
}

test("the draft is what was kept, until something is typed", async () => {
  const { result } = await atDesk();
  expect(result.current.draft).toEqual({ title: "As kept" });
  act(() => result.current.write({ description: "New" }));
  expect(result.current.draft).toEqual({ title: "As kept", description: "New" });
});

test("only what stands when the hand rests is sent", async () => {
  const { result, kept } = await atDesk({});
  vi.useFakeTimers();
  act(() => result.current.write({ title: "B" }));
  await act(() => vi.advanceTimersByTimeAsync(600));
  act(() => result.current.write({ title: "Br" }));
  await act(() => vi.advanceTimersByTimeAsync(600));
  expect(kept()).toEqual([]);
  await act(() => vi.advanceTimersByTimeAsync(200));
  expect(kept()).toEqual([{ draft: { title: "Br" } }]);
});

test("what was typed just before the page is left is sent as well, once", async () => {
  const { result, kept, unmount } = await atDesk({});
  act(() => result.current.write({ title: "Brass lamps" }));
  unmount();
  await waitFor(() => expect(kept()).toEqual([{ draft: { title: "Brass lamps" } }]));
});

test("nothing is sent of a page where nothing was typed", async () => {
  const { kept, unmount } = await atDesk();
  unmount();
  expect(kept()).toEqual([]);
});

test("begun anew, what waited to be sent isn’t", async () => {
  const { result, kept } = await atDesk();
  vi.useFakeTimers();
  act(() => result.current.write({ title: "Half" }));
  act(() => result.current.startOver());
  await act(() => vi.advanceTimersByTimeAsync(2000));
  expect(kept()).toEqual([{ draft: {} }]);
  expect(result.current.draft).toEqual({});
});

test("pictures are known by their addresses", async () => {
  const { result } = await atDesk();
  await waitFor(() => expect(result.current.previews.get("http://a.test/a.png")).toContain("data:image/png"));
});
