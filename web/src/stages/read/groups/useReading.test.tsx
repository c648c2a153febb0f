// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, within } from "../../../kit/testing";
import { type Reading, useReading } from "./useReading";

const SAVED = {
  fields: [],
  groups: [
    { name: "Lamps", pattern: "/lamps/*", template: null, intent: "index", thresholds: {} },
    { name: "Cart", pattern: "/cart/*", template: null, intent: "keep_out", thresholds: { thin_words: 10 } },
  ],
  thresholds: { thin_words: 120 },
  weights: { authority: 2 },
} as unknown as Reading;

function reading(bodies: Parameters<typeof answers>[0] = {}) {
  const asked = answers({ "/api/sites/1/groups/trial": [200, { groups: [] }], ...bodies });
  const { result } = renderHook(() => useReading(1, SAVED), { wrapper: within("/s/1/c/7/read/groups") });
  return { result, asked };
}
const names = (result: ReturnType<typeof reading>["result"]) => result.current.groups.map((one) => one.name);

test("as it was saved nothing is changed; put back, neither", () => {
  const { result } = reading();
  expect(result.current.changed).toBe(false);
  const key = result.current.groups[0]?.key ?? 0;
  act(() => result.current.change(key, { name: "Lights" }));
  expect(result.current.changed).toBe(true);
  act(() => result.current.change(key, { name: "Lamps" }));
  expect(result.current.changed).toBe(false);
  act(() => result.current.setThresholds({ thin_words: 90 }));
  expect(result.current.changed).toBe(true);
});

test("groups change places with their neighbours, and the ends stay where they are", () => {
  const { result } = reading();
  const [first, second] = result.current.groups.map((one) => one.key) as [number, number];
  act(() => result.current.move(first, -1));
  act(() => result.current.move(second, 1));
  expect(names(result)).toEqual(["Lamps", "Cart"]);
  act(() => result.current.move(second, -1));
  expect(names(result)).toEqual(["Cart", "Lamps"]);
  act(() => result.current.move(99_999, 1));
  act(() => result.current.remove(second));
  expect(names(result)).toEqual(["Lamps"]);
});

test("keys stay with their groups, also those of new ones", () => {
  const { result } = reading();
  act(() => result.current.add());
  const keys = result.current.groups.map((one) => one.key);
  expect(new Set(keys).size).toBe(3);
  act(() => result.current.move(keys[2] as number, -1));
  expect(result.current.groups.map((one) => one.key)).toEqual([keys[0], keys[2], keys[1]]);
});

test("a group without a pattern yet isn’t tried, and one without an intent is sent with none", async () => {
  const { result, asked } = reading();
  act(() => result.current.add());
  act(() => result.current.change(result.current.groups[0]?.key ?? 0, { intent: "" }));
  await waitFor(() =>
    expect(asked.at(-1)?.body).toEqual({ groups: [{ ...SAVED.groups[0], intent: null }, SAVED.groups[1]] }),
  );
});

test("what is wrong is told field by field, and nothing typed is lost", async () => {
  const problems = [{ field: "groups.0.pattern", message: "is no pattern" }];
  const { result } = reading({ "PUT /api/sites/1/reading": [422, { status: 422, detail: "No.", problems }] });
  act(() => result.current.change(result.current.groups[0]?.key ?? 0, { pattern: "/[/" }));
  act(() => result.current.save.mutate());
  await waitFor(() => expect(result.current.problems).toEqual(problems));
  expect(result.current.groups[0]?.pattern).toBe("/[/");
});

test("groups that are proposed take the place of those that were there", async () => {
  const { result } = reading({
    "/api/sites/1/groups/proposals": [200, { groups: [{ name: "Journal", pattern: "/j/*" }] }],
  });
  act(() => result.current.propose.mutate());
  await waitFor(() => expect(names(result)).toEqual(["Journal"]));
});
