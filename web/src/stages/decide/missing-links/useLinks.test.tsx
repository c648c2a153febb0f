// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "../../../kit/testing";
import { useLinks } from "./useLinks";

const link = (source: string, target: string, state = "open") => ({ source, target, state, words: `to ${target}` });
const PROPOSALS = [link("/a", "/x", "accepted"), link("/b", "/y"), link("/c", "/x"), link("/a", "/y")];

test("proposals are told by the page they lead to, in the order they came", async () => {
  answers({ "/api/sites/1/missing-links": [200, { proposals: PROPOSALS, topics: [] }] });
  const { result } = renderHook(() => useLinks(), { wrapper: within("/s/1/c/7/decide/missing-links") });
  expect(result.current.targets).toEqual([]);
  await waitFor(() => expect(result.current.found.state).toBe("ready"));
  expect(result.current.targets.map((links) => links.map((one) => `${one.source} ${one.target}`))).toEqual([
    ["/a /x", "/c /x"],
    ["/b /y", "/a /y"],
  ]);
});

test("accepting one link of a page keeps the others that were settled", async () => {
  const asked = answers({
    "/api/sites/1/missing-links": [200, { proposals: PROPOSALS, topics: [] }],
    "/api/sites/1/decisions": [200, { decisions: [] }],
  });
  const { result } = renderHook(() => useLinks(), { wrapper: within("/s/1/c/7/decide/missing-links") });
  await waitFor(() => expect(result.current.found.state).toBe("ready"));
  act(() => result.current.settle(result.current.targets[1]?.slice(1) ?? [], "accepted"));
  await waitFor(() => expect(result.current.decide.isSuccess).toBe(true));
  expect(asked.find((one) => one.method === "POST")?.body).toMatchObject({
    kind: "link",
    values: [
      {
        subject: "/a",
        value: {
          links: [
            { target: "/x", text: "to /x" },
            { target: "/y", text: "to /y" },
          ],
          refused: [],
        },
      },
    ],
  });
});
