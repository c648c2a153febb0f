import { expect, test } from "vitest";
import { guess, missing, wordsOf } from "./mapping";
import type { Brought, Kind } from "./useEvidence";

const kind = {
  code: "standings",
  label: "",
  why: "",
  of_index: true,
  newest: null,
  fields: [
    { name: "url", needed: true },
    { name: "standing", needed: true },
    { name: "reason", needed: false },
  ],
} as Kind;
const file: Brought = {
  file: 1,
  name: "x.csv",
  headings: [" URL", "State", "Reason"],
  rows: [],
  words: [["http://a.test/"], ["In", "", null, "Out"], []],
};

test("our own headings are known in any case", () => {
  expect(guess(kind, file)).toEqual({ url: " URL", reason: "Reason" });
});

test("what a row needs and nobody told is missing", () => {
  expect(missing(kind, guess(kind, file))).toEqual(["standing"]);
  expect(missing(kind, { url: " URL", standing: "State" })).toEqual([]);
});

test("words of a column are those that say something", () => {
  expect(wordsOf(file, "State")).toEqual(["In", "Out"]);
  expect(wordsOf(file, undefined)).toEqual([]);
});
