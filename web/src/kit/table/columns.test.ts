import { expect, test } from "vitest";
import { chosen, type Column, nameOf, plain } from "./columns";

type Row = { status: number; stop: string };
const COLUMNS: Column<Row>[] = [
  { field: "status", name: "Status", subject: "status", kind: "number", width: 60 },
  { field: "stop", name: "Stops for", subject: "cause", kind: "set", width: 90, choices: [["open", "noindex"]] },
];

test("a value of a set is called by its name, any other as it is", () => {
  const [status, stop] = COLUMNS as [Column<Row>, Column<Row>];
  expect(["open", "own", null, undefined].map((value) => nameOf(stop, value))).toEqual(["noindex", "own", "", ""]);
  expect(nameOf(status, 404)).toBe("404");
});

test.each([
  [null, ""],
  [undefined, ""],
  [0, "0"],
  [false, "false"],
  [["a", "b"], "a\nb"],
])("%j reads “%s” as plain text", (value, text) => expect(plain(value)).toBe(text));

test("columns are chosen in the order asked for; those that are none are left out", () => {
  expect(chosen(COLUMNS, ["stop", "gone", "status"]).map((column) => column.field)).toEqual(["stop", "status"]);
});
