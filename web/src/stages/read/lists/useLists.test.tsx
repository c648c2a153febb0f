// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "../../../kit/testing";
import { useLists } from "./useLists";

const wrapper = within("/s/1/c/7/read/lists");

test("a list is brought first, then joined by the heading that was given", async () => {
  const asked = answers({
    "/api/sites/1/evidence/files": [200, { file: "f-9", headings: ["address"] }],
    "/api/sites/1/lists": [200, { task: 3 }],
    "/api/tasks/3": [200, { id: 3, kind: "list_join", state: "done", result: { rows: [] } }],
  });
  const { result } = renderHook(() => useLists(), { wrapper });
  act(() =>
    result.current.join.mutate({ file: new Blob(["address\n/a\n"]), name: "list.csv", heading: "  ", fetch: true }),
  );
  await waitFor(() => expect(result.current.join.data).toEqual({ rows: [] }));
  expect(asked[0]?.url.searchParams.get("name")).toBe("list.csv");
  expect(asked.slice(0, 2).map((one) => one.body)).toEqual([
    "address\n/a\n",
    { file: "f-9", heading: null, fetch: true },
  ]);
});

test("a list that can’t be read isn’t joined", async () => {
  const asked = answers({ "/api/sites/1/evidence/files": [422, { status: 422, detail: "The file is empty." }] });
  const { result } = renderHook(() => useLists(), { wrapper });
  act(() => result.current.join.mutate({ file: new Blob([]), name: "list.csv", heading: "url", fetch: false }));
  await waitFor(() => expect(result.current.join.error?.message).toBe("The file is empty."));
  expect(asked).toHaveLength(1);
});
