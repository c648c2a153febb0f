// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { LedgerRow } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { useMarks } from "./useMarks";

const FIELDS = Object.entries({
  title_short: 30,
  title_long: 60,
  thin_words: 120,
  deep: 4,
  important: 50,
  few_links: 3,
});
const READING = {
  fields: FIELDS.map(([name, value]) => ({ name, default: value })),
  thresholds: { title_long: 70 },
  groups: [{ name: "/journal/", pattern: "/journal/*", thresholds: { thin_words: 300 } }],
};
const page = (given: Partial<LedgerRow>) =>
  ({ kind: "html", status: 200, group: "/lamps/", error: null, ...given }) as LedgerRow;

async function marks(query = "") {
  answers({ "/api/sites/1/reading": [200, READING] });
  const { result } = renderHook(() => useMarks(), { wrapper: within(`/s/1/c/7/read/ledger${query}`) });
  await waitFor(() => expect(result.current.marked(page({ status: 404 }), "status") ?? "hidden").not.toBe(""));
  await waitFor(() =>
    expect(result.current.marked(page({ h1_count: 2 }), "h1_count") === undefined).toBe(!result.current.shown),
  );
  return result;
}

test.each<[string, Partial<LedgerRow>, string | undefined]>([
  ["title_chars", { title_chars: 65 }, undefined],
  ["title_chars", { title_chars: 71 }, "over 70 characters, the most of the site’s limits"],
  ["title_chars", { title_chars: 29 }, "under 30 characters, the least of the site’s limits"],
  ["words", { words: 200 }, undefined],
  ["words", { words: 200, group: "/journal/" }, "under 300 words, the least of the site’s limits"],
  ["words", { words: null }, undefined],
  ["depth", { depth: 5 }, "over 4 clicks, the most of the site’s limits"],
  ["links_in", { links_in: 1, importance: 40 }, undefined],
  ["links_in", { links_in: 1, importance: 60 }, "few links for a page of this importance"],
  ["h1_count", { h1_count: 0 }, "not one H1"],
  ["images_without_alt", { images_without_alt: 2 }, "images without alt text"],
  ["title_chars", { title_chars: 99, status: 404 }, undefined],
  ["title_chars", { title_chars: 99, kind: "pdf" }, undefined],
  ["status", { status: 404 }, "an error"],
  ["status", { status: null, error: "dns" }, "an error"],
  ["status", { status: 301 }, undefined],
])("the cell %s of %j is marked as: %s", async (field, row, why) => {
  const found = await marks();
  expect(found.current.marked(page(row), field)).toBe(why);
});

test("limits of one’s own come before the site’s, and stay where those are hidden", async () => {
  const own = JSON.stringify([{ field: "words", op: "below", value: 500 }]);
  const found = await marks(`?unmarked=1&marks=${encodeURIComponent(own)}`);
  expect(found.current.marked(page({ words: 100 }), "words")).toBe("below 500");
  expect(found.current.marked(page({ words: 500 }), "words")).toBeUndefined();
  expect(found.current.marked(page({ title_chars: 99 }), "title_chars")).toBeUndefined();
  act(() => found.current.setOwn([]));
  expect(found.current.own).toEqual([]);
});

test.each(["{", "null", "[null]", '[{"field":"words"}]', '[{"field":"words","op":"like","value":1}]'])(
  "marks of an address that can’t be read are none: %s",
  async (text) => {
    const found = await marks(`?marks=${encodeURIComponent(text)}`);
    expect(found.current.own).toEqual([]);
  },
);
