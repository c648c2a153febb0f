import type { Condition } from "../conditions";
import { type Column, type FieldKind, nameOf } from "./columns";

/** How each question is put, by kind of column: [op, words, whether it takes a value]. */
export const QUESTIONS: Record<FieldKind, [string, string, boolean][]> = {
  text: [
    ["contains", "contains", true],
    ["lacks", "lacks", true],
    ["is", "is", true],
    ["starts", "starts with", true],
    ["ends", "ends with", true],
    ["matches", "fits the pattern", true],
    ["matches_not", "doesn’t fit the pattern", true],
    ["one_of", "is one of", true],
    ["is_not", "is not", true],
    ["empty", "is empty", false],
    ["filled", "is there", false],
  ],
  number: [
    ["at_least", "at least", true],
    ["below", "below", true],
    ["is", "is", true],
    ["is_not", "is not", true],
    ["empty", "not known", false],
    ["filled", "known", false],
  ],
  set: [
    ["is", "is", true],
    ["is_not", "is not", true],
    ["empty", "is none", false],
    ["filled", "is any", false],
  ],
  flag: [["is", "is", true]],
  date: [
    ["since", "since", true],
    ["before", "before", true],
    ["empty", "never", false],
  ],
  list: [
    ["has", "include", true],
    ["has_not", "don’t include", true],
    ["empty", "are none", false],
    ["filled", "are there", false],
  ],
};

/** A condition as a sentence in two parts: "words", "below 200". */
export function sentence<Row>(columns: Column<Row>[], condition: Condition): [string, string] {
  const column = columns.find((one) => one.field === condition.field);
  if (!column) return [condition.field, `${condition.op} ${String(condition.value ?? "")}`];
  const question = QUESTIONS[column.kind].find(([op]) => op === condition.op);
  const words = question?.[1] ?? condition.op;
  if (column.kind === "flag") return [column.subject, condition.value === true ? "yes" : "no"];
  if (column.kind === "number" && condition.op === "is" && condition.value === 0) return ["no", column.subject];
  if (Array.isArray(condition.value) && condition.value.length > 1)
    return [column.subject, `${words} ${condition.value.length} chosen`];
  return [
    column.subject,
    question?.[2] === false ? words : `${words} ${nameOf(column, [condition.value].flat()[0] ?? "")}`,
  ];
}
