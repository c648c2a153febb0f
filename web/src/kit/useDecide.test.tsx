// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "./testing";
import { useDecide, useUndo } from "./useDecide";

const wrapper = within("/s/1/c/7/decide");

test("what is settled is sent by subject; a note of blanks is none", async () => {
  const asked = answers({ "/api/sites/1/decisions": [200, { decisions: [] }] });
  const { result } = renderHook(() => useDecide(1), { wrapper });
  act(() =>
    result.current.mutate({
      kind: "intent",
      wishes: { "http://a.test/": { intent: "index" }, "/b": null },
      note: "  ",
    }),
  );
  await waitFor(() => expect(result.current.isSuccess).toBe(true));
  expect(asked[0]).toMatchObject({
    method: "POST",
    body: {
      kind: "intent",
      note: null,
      values: [
        { subject: "http://a.test/", value: { intent: "index" } },
        { subject: "/b", value: null },
      ],
    },
  });
});

test("what was refused says at which field", async () => {
  const problems = [{ field: "values.0.subject", message: "is no URL" }];
  answers({ "/api/sites/1/decisions": [422, { status: 422, detail: "It can’t be decided so.", problems }] });
  const { result } = renderHook(() => useDecide(1), { wrapper });
  act(() => result.current.mutate({ kind: "intent", wishes: { x: null } }));
  await waitFor(() => expect(result.current.isError).toBe(true));
  expect(result.current.error).toMatchObject({ status: 422, problem: { problems } });
});

test("decisions are taken back by their ids", async () => {
  const asked = answers({ "/api/sites/1/decisions/undo": [200, { decisions: [] }] });
  const { result } = renderHook(() => useUndo(1), { wrapper });
  act(() => result.current.mutate([3, 4]));
  await waitFor(() => expect(result.current.isSuccess).toBe(true));
  expect(asked[0]?.body).toEqual({ ids: [3, 4] });
});
