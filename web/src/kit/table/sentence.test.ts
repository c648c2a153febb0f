import { expect, it } from "vitest";
import type { Column } from "./columns";
import { QUESTIONS, sentence } from "./sentence";

const column = (field: string, kind: Column<Record<string, unknown>>["kind"], subject = field) =>
  ({ field, kind, subject, label: subject, name: subject, width: 100 }) as Column<Record<string, unknown>>;
const COLUMNS = [
  column("words", "number"),
  column("noindex", "flag"),
  column("faults", "list"),
  column("title", "text"),
];

it.each([
  [{ field: "words", op: "below", value: 200 }, ["words", "below 200"]],
  [{ field: "words", op: "is", value: 0 }, ["no", "words"]],
  [{ field: "words", op: "empty" }, ["words", "not known"]],
  [{ field: "noindex", op: "is", value: true }, ["noindex", "yes"]],
  [{ field: "title", op: "one_of", value: ["a", "b"] }, ["title", "is one of 2 chosen"]],
  [{ field: "gone", op: "is", value: 7 }, ["gone", "is 7"]],
])("reads as a sentence: %j", (condition, words) => expect(sentence(COLUMNS, condition)).toEqual(words));

it("puts every question of a kind only once", () => {
  for (const questions of Object.values(QUESTIONS)) {
    const ops = questions.map(([op]) => op);
    expect(new Set(ops).size).toBe(ops.length);
  }
});
