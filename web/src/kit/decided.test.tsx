// @vitest-environment jsdom
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { Decided } from "./Decided";
import type { Decision } from "./decisions";
import { answers, crawlOf, within } from "./testing";

let last = 0;
const decision = (kind: Decision["kind"], value: unknown, given: Partial<Decision> = {}) =>
  ({
    id: (last += 1),
    kind,
    subject: "http://a.test/x",
    value,
    note: null,
    made_by: "Ada",
    made_at: "2027-01-04T10:00:00Z",
    undone_by: null,
    undone_at: null,
    ...given,
  }) as Decision;

function draw(...decisions: Decision[]) {
  const asked = answers({
    "/api/sites": [200, { sites: [], removed: [] }],
    "/api/sites/1/crawls": [200, { crawls: [crawlOf()], removed: [] }],
    "POST /api/sites/1/decisions/undo": [200, { decisions: [] }],
  });
  render(<Decided site={1} decisions={decisions} />, { wrapper: within("/s/1/c/7/decide") });
  return asked;
}

test.each<[Decision["kind"], unknown, string]>([
  ["intent", { intent: "index" }, "should be indexed"],
  ["group", { intent: "keep_out", follow: false }, "should be kept out, links not followed"],
  ["canonical", { target: "http://a.test/y" }, "its canonical should be http://a.test/y"],
  ["repoint", { target: "http://a.test/y" }, "links to it should lead to http://a.test/y"],
  ["route", { to: "http://a.test/y", status: 308 }, "308 to http://a.test/y"],
  ["route", { to: null, status: 410 }, "410, gone"],
  ["route", { refused: true }, "left as it is"],
  ["languages", { pages: { en: "/", de: "/de/" } }, "a set of en, de"],
  ["review", { fate: "merge_into", target: "http://a.test/y" }, "goes into http://a.test/y"],
  ["link", { links: [{ target: "/y", text: "y" }], refused: [] }, "should link to /y"],
  ["link", { links: [], refused: ["/y"] }, "no new links from it"],
  ["canonical", null, "nothing any more"],
])("a decision on %s of %j says: %s", (kind, value, words) => {
  draw(decision(kind, value));
  expect(screen.getByRole("listitem").querySelector("strong")?.textContent).toBe(words);
});

test.each<[Decision["kind"], unknown, string | undefined]>([
  ["canonical", { target: "http://a.test/y?a=1&b=2" }, '<link rel="canonical" href="http://a.test/y?a=1&amp;b=2">'],
  ["canonical", { target: "http://a.test/$1" }, undefined],
  ["canonical", null, undefined],
  ["intent", { intent: "keep_out" }, '<meta name="robots" content="noindex">'],
  ["intent", { intent: "keep_out", follow: false }, '<meta name="robots" content="noindex, nofollow">'],
  ["intent", { intent: "index" }, undefined],
  ["intent", null, undefined],
])("the tag to write for %s of %j is %s", (kind, value, tag) => {
  draw(decision(kind, value));
  expect(screen.getByRole("listitem").querySelector("code")?.textContent).toBe(tag);
});

test("only the newest of a subject can be checked and taken back", async () => {
  const older = decision("intent", { intent: "keep_out" });
  const other = decision("intent", { intent: "index" }, { subject: "http://a.test/other" });
  const newer = decision("intent", { intent: "index" }, { note: "agreed" });
  const asked = draw(newer, other, older);
  expect(screen.getAllByText("Take back")).toHaveLength(2);
  await waitFor(() => expect(screen.getAllByText("Check now")).toHaveLength(2));
  expect(screen.getByText("agreed")).toBeTruthy();
  fireEvent.click(screen.getAllByText("Take back")[0] as Element);
  await waitFor(() => expect(asked.some((one) => one.method === "POST")).toBe(true));
  expect(asked.find((one) => one.method === "POST")?.body).toEqual({ ids: [newer.id] });
});

test("what was taken back says by whom, and what no page can show isn’t checked", async () => {
  const undone = decision("intent", { intent: "index" }, { undone_by: "Bo", undone_at: "2026-02-03T10:00:00Z" });
  const asked = draw(undone, decision("link", { links: [], refused: [] }, { subject: "http://a.test/z" }));
  await waitFor(() => expect(asked.length).toBeGreaterThan(1));
  expect(screen.getByText(/taken back by Bo/)).toBeTruthy();
  expect(screen.getAllByText("Take back")).toHaveLength(1);
  expect(screen.queryByText("Check now")).toBeNull();
});

test("where nothing was decided it says so", () => {
  draw();
  expect(screen.getByText("Nothing was decided yet.")).toBeTruthy();
});
