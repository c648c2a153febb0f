// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { stateLabel, STATES } from "../../../kit/fix/states";
import { useFix } from "../../../kit/fix/useFix";
import { answers, within } from "../../../kit/testing";
import { useLanes } from "./useLanes";
import { useWorkplan } from "./useWorkplan";

const at = (query = "") => ({ wrapper: within(`/s/1/c/7/plan/workplan${query}`) });
const FIXES = "/api/sites/1/fixes";

test("the list is asked for only where it is shown, narrowed to a state", async () => {
  const asked = answers({ [`GET ${FIXES}`]: [200, { fixes: [] }] });
  renderHook(() => useWorkplan(), at("?view=lanes"));
  const { result } = renderHook(() => useWorkplan(), at("?view=list&state=claimed"));
  await waitFor(() => expect(result.current.plan.state).toBe("ready"));
  expect(asked.map((one) => one.url.searchParams.get("state"))).toEqual(["claimed"]);
  act(() => result.current.setView("lanes"));
  expect([result.current.view, result.current.state]).toEqual(["lanes", undefined]);
});

test("what was ticked is handed over and forgotten, and the list read anew", async () => {
  const asked = answers({ [`GET ${FIXES}`]: [200, { fixes: [] }], [`POST ${FIXES}/state`]: [200, { fixes: [] }] });
  const { result } = renderHook(() => useWorkplan(), at("?view=list"));
  await waitFor(() => expect(result.current.plan.state).toBe("ready"));
  for (const id of ["a", "b", "c"]) act(() => result.current.pick(id, true));
  act(() => result.current.pick("b", false));
  act(() => result.current.hand.mutate({ ids: result.current.chosen, state: "handed over" }));
  await waitFor(() => expect(result.current.chosen).toEqual([]));
  expect(asked[1]?.body).toEqual({ ids: ["a", "c"], state: "handed over" });
  await waitFor(() => expect(asked.filter((one) => one.method === "GET")).toHaveLength(2));
});

test("what could not be joined stays ticked", async () => {
  answers({
    [`GET ${FIXES}`]: [200, { fixes: [] }],
    [`POST ${FIXES}/join`]: [409, { status: 409, detail: "Fixes of two kinds can’t be joined." }],
  });
  const { result } = renderHook(() => useWorkplan(), at("?view=list"));
  act(() => result.current.pick("a", true));
  act(() => result.current.pick("b", true));
  act(() => result.current.join.mutate(result.current.chosen));
  await waitFor(() => expect(result.current.join.error?.message).toBe("Fixes of two kinds can’t be joined."));
  expect(result.current.chosen).toEqual(["a", "b"]);
});

/** The plan, with a layout that goes on until it is ended. */
function lanes() {
  let state: object = { state: "running", done: null, total: null };
  const asked = answers({
    "/api/sites/1/workplan": [200, { bars: [] }],
    [`${FIXES}/again`]: [200, { task: 4 }],
    [`PUT ${FIXES}/f1`]: [200, {}],
    "GET /api/tasks/4": () => [200, { id: 4, kind: "fixes_again", ...state }],
    "DELETE /api/tasks/4": () => {
      state = { state: "cancelled" };
      return [200, {}];
    },
  });
  const { result } = renderHook(() => useLanes(1), at());
  return { result, asked, end: (last: object) => (state = last) };
}

test("a layout that runs can be ended, and the plan stays as it was", async () => {
  const { result, asked } = lanes();
  await waitFor(() => expect(result.current.lanes.state).toBe("ready"));
  act(() => result.current.keep.mutate({ start: "2027-01-04" }));
  await waitFor(() => expect(result.current.running?.id).toBe(4));
  await act(() => result.current.cancel());
  await waitFor(() => expect(result.current.keep.error?.message).toBe("It was cancelled."));
  expect(result.current.running).toBeUndefined();
  expect(asked.find((one) => one.url.pathname.endsWith("/again"))?.body).toEqual({ start: "2027-01-04", try: false });
});

test("where nothing runs there is nothing to end", async () => {
  const { result, asked } = lanes();
  await act(() => result.current.cancel());
  expect(asked.filter((one) => one.method === "DELETE")).toEqual([]);
});

test("a bar that is moved is kept first, then the others are laid out around it", async () => {
  const { result, asked, end } = lanes();
  end({ state: "done", result: { laid_out: 3 } });
  act(() => result.current.move.mutate({ id: "f1", start: "2027-01-04", pinned: "2027-01-08" } as never));
  await waitFor(() => expect(result.current.move.isSuccess).toBe(true));
  const changes = asked.filter((one) => one.method !== "GET").map((one) => [one.method, one.body]);
  expect(changes).toEqual([
    ["PUT", { pinned: "2027-01-08" }],
    ["POST", { start: "2027-01-04", try: false }],
  ]);
});

test("a fix is split, proved and set aside by its own address", async () => {
  const asked = answers({
    [`GET ${FIXES}/f1`]: [200, { id: "f1", state: "claimed" }],
    [`${FIXES}/f1/split`]: [200, {}],
    [`${FIXES}/prove`]: [200, { task: 4 }],
    "/api/tasks/4": [200, { id: 4, kind: "fixes_proof", state: "done", result: { proved: 1 } }],
  });
  const { result } = renderHook(() => useFix(1, "f1"), at());
  await waitFor(() => expect(result.current.fix.state).toBe("ready"));
  act(() => result.current.split.mutate(["http://a.test/1"]));
  await waitFor(() => expect(result.current.split.isSuccess).toBe(true));
  act(() => result.current.prove.mutate());
  await waitFor(() => expect(result.current.prove.data).toEqual({ proved: 1 }));
  expect(asked.filter((one) => one.method === "POST").map((one) => one.body)).toEqual([
    { urls: ["http://a.test/1"] },
    { ids: ["f1"] },
  ]);
});

test("states of fixes are told in words, each once", () => {
  expect(new Set(STATES.map((one) => one.label)).size).toBe(STATES.length);
  expect(stateLabel("claimed")).toBe("Said to be done");
});
