import { expect, test } from "vitest";
import DECLARED from "../../../api/columns.json";
import { columnsOfFault } from "../faults/columnsOfFault";
import { COLUMN_SETS, SHOWN_AT_FIRST } from "./columnSets";

const KNOWN = new Set(DECLARED.map((column) => column.field));

test.each(COLUMN_SETS)("the columns of “$name” are there, each once, the address first", ({ fields }) => {
  expect(fields.filter((field) => !KNOWN.has(field))).toEqual([]);
  expect(new Set(fields).size).toBe(fields.length);
  expect(fields[0]).toBe("url");
});

test("sets of columns can be told apart", () => {
  expect(new Set(COLUMN_SETS.map((set) => set.name)).size).toBe(COLUMN_SETS.length);
  expect(COLUMN_SETS[0]?.fields).toBe(SHOWN_AT_FIRST);
});

test.each([
  ["title-missing", "title"],
  ["image-no-alt", "images_without_alt"],
  ["slow-page", "response_ms"],
  ["thin", "words"],
  ["copy-exact", "copy_of"],
  ["canonical-to-noindex", "canonical"],
  ["redirect-chain", "redirect_to"],
  ["hreflang-code", "lang"],
  ["link-to-missing", "links_out_internal"],
  ["not-found", "links_in"],
  ["noindex-wanted", "noindex"],
  ["sitemap-lists-missing", "in_sitemaps"],
])("the ledger of %s shows %s", (code, field) => {
  const fields = columnsOfFault(code) ?? [];
  expect(fields).toContain(field);
  expect(fields.filter((one) => !KNOWN.has(one))).toEqual([]);
});

test("a fault that no columns belong to leaves them as they are", () => {
  expect(columnsOfFault("probe-www")).toBeUndefined();
});
