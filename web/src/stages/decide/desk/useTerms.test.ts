import { expect, test } from "vitest";
import { narrowed, stand, type Term } from "./useTerms";

const term = (name: string, text: number, share: number, rivals: Term["rivals"] = null): Term => ({
  term: name,
  size: name.split(" ").length,
  counts: text ? { text } : {},
  share,
  drafted: text,
  rivals,
});
const RANGE = { used_by: 2, median: 0.02, low: 0.01, high: 0.03 };

test("terms are narrowed by text and size and sorted", () => {
  const terms = [term("oil", 1, 0.01), term("anchor light", 4, 0.04), term("brass", 0, 0, RANGE)];
  expect(narrowed(terms, "", 0, "text").map((one) => one.term)).toEqual(["anchor light", "oil", "brass"]);
  expect(narrowed(terms, "", 0, "lacking")[0]?.term).toBe("brass");
  expect(narrowed(terms, "light", 2, "name").map((one) => one.term)).toEqual(["anchor light"]);
});

test("a term is missing, too little, in range or too much", () => {
  expect([0, 0.005, 0.02, 0.05].map((share) => stand({ share, rivals: RANGE }))).toEqual([
    "missing",
    "less than theirs",
    "in their range",
    "more than theirs",
  ]);
  expect(stand({ share: 0.1, rivals: null })).toBe("");
});
