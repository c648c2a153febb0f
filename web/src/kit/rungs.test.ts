import { expect, test } from "vitest";
import DECLARED from "../api/columns.json";
import { CAUSES, causeOf, RUNGS, stateOfRung } from "./rungs";

test("the ladder has the rungs of the ledger, in their order, each with its cause in words", () => {
  expect(RUNGS.map((rung) => rung.name)).toEqual(CAUSES.map(([name]) => name));
  for (const rung of RUNGS) expect(rung.cause).not.toBe(rung.name);
});

test("every column of the ledger is named, and no two alike", () => {
  const names = DECLARED.map((column) => column.name);
  expect(new Set(names).size).toBe(names.length);
  expect(names.filter((name) => name.trim() === "")).toEqual([]);
});

test("a rung that is not known is told by its own name and stops", () => {
  expect(causeOf("beyond")).toBe("beyond");
  expect(stateOfRung("beyond")).toBe("stops");
});

test.each([
  ["direct", "diverts"],
  ["own", "diverts"],
  ["distinct", "diverts"],
  ["answers", "stops"],
])("at %s a page %s", (rung, state) => expect(stateOfRung(rung)).toBe(state));
