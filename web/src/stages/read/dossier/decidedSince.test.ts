import { expect, test } from "vitest";
import type { Decision } from "../../../kit/decisions";
import { decidedSince } from "./decidedSince";

const PAGE = { url: "http://a.test/x", intent: "undecided" as const, intent_of: null };
const decision = (changes: Partial<Decision>): Decision => ({
  id: 1,
  kind: "intent",
  subject: PAGE.url,
  value: { intent: "index" },
  note: null,
  made_by: "Ada",
  made_at: "2026-12-01T10:00:00Z",
  undone_by: null,
  undone_at: null,
  ...changes,
});

test.each([
  ["nothing is decided", [], null],
  ["the page itself", [decision({})], { intent: "index", of: "url" }],
  [
    "the page before its group",
    [decision({ kind: "group", subject: "/x/", value: { intent: "keep_out" } }), decision({})],
    { intent: "index", of: "url" },
  ],
  ["a pattern", [decision({ subject: "/x*", value: { intent: "keep_out" } })], { intent: "keep_out", of: "pattern" }],
  ["its group", [decision({ kind: "group", subject: "/x/" })], { intent: "index", of: "group" }],
  ["one that was taken back", [decision({ undone_at: "2026-12-01T11:00:00Z" })], null],
  ["one that says nothing any more", [decision({ value: null }), decision({})], null],
  ["something else", [decision({ kind: "route", value: { status: 410 } })], null],
])("%s", (_, decisions, told) => expect(decidedSince(decisions, PAGE)).toEqual(told));

test("what pages are judged by already isn’t told again, and what was taken back since is", () => {
  expect(decidedSince([decision({})], { ...PAGE, intent: "index", intent_of: "url" })).toBeNull();
  expect(decidedSince([], { ...PAGE, intent: "index", intent_of: "url" })).toEqual({ intent: "undecided", of: "url" });
});
