import { expect, test } from "vitest";
import { partsOf } from "../../../kit/conditions";
import { QUESTIONS as OPS } from "../../../kit/table/sentence";
import { COLUMNS } from "./columns";
import { COUNTED_BY, QUESTIONS } from "./questions";

test.each(QUESTIONS)("“$name” asks what the table of links knows, in a way it can be asked", ({ where }) => {
  for (const { field, op } of partsOf(where).flat()) {
    const column = COLUMNS.find((one) => one.field === field);
    expect(column, field).toBeDefined();
    expect(OPS[column?.kind ?? "text"].map(([name]) => name)).toContain(op);
  }
});

test("links are counted by columns that they have", () => {
  const known = new Set<string>(COLUMNS.map((column) => column.field));
  expect(COUNTED_BY.map(([field]) => field).filter((field) => !known.has(field))).toEqual([]);
});
