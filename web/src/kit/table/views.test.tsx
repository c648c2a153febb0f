// @vitest-environment jsdom
import { fireEvent, render, screen, within as inside } from "@testing-library/react";
import { useState } from "react";
import { expect, test, vi } from "vitest";
import type { Condition, Where } from "../conditions";
import { CellMenu } from "./CellMenu";
import { ColumnChoice } from "./ColumnChoice";
import { ColumnMenu } from "./ColumnMenu";
import type { Column } from "./columns";
import { ConditionBar } from "./ConditionBar";

type Row = { url: string; words: number | null; noindex: boolean; faults: string[]; stop: string; seen: string };
const column = (field: keyof Row, kind: Column<Row>["kind"], more: Partial<Column<Row>> = {}): Column<Row> => ({
  field,
  kind,
  name: field,
  subject: field,
  width: 80,
  ...more,
});
const COLUMNS = [
  column("url", "text"),
  column("words", "number"),
  column("noindex", "flag"),
  column("faults", "list"),
  column("stop", "set", { choices: [["open", "noindex"]] }),
  column("seen", "date"),
];
const ROW: Row = {
  url: "http://a.test/",
  words: 12,
  noindex: true,
  faults: ["thin", "title-long"],
  stop: "open",
  seen: "2027-01-04T10:00:00Z",
};

/** The bar with what it was changed to. */
function bar(where: Where = { all: [] }) {
  const changed = vi.fn();
  function Held() {
    const [held, setHeld] = useState(where);
    return (
      <ConditionBar
        columns={COLUMNS}
        where={held}
        change={(next) => {
          changed(next);
          setHeld(next);
        }}
      />
    );
  }
  render(<Held />);
  return changed;
}

function choose(label: string, option: string) {
  fireEvent.mouseDown(screen.getByLabelText(label));
  fireEvent.click(screen.getByRole("option", { name: option }));
}

const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
const narrow = () => fireEvent.click(screen.getByRole("button", { name: "Narrow" }));

test("a condition is made of a column, a question and a value", () => {
  const changed = bar();
  fireEvent.click(screen.getByText("+ Condition"));
  expect(screen.getByRole("button", { name: "Narrow" })).toHaveProperty("disabled", true);
  choose("Column", "words");
  choose("Question", "below");
  type("Value", "200");
  narrow();
  expect(changed).toHaveBeenCalledWith({ all: [{ field: "words", op: "below", value: 200 }] });
  expect(screen.getByText("below 200")).toBeTruthy();
});

test("a list of values is read line by line, so that commas and spaces in them stay", () => {
  const changed = bar({ all: [{ field: "url", op: "one_of", value: ["http://a.test/a,b", "http://a.test/c"] }] });
  fireEvent.click(screen.getByText(/2 chosen/));
  expect(screen.getByLabelText("Values, one a line")).toHaveProperty("value", "http://a.test/a,b\nhttp://a.test/c");
  type("Values, one a line", " http://a.test/a,b \n\nTwo words\n");
  narrow();
  expect(changed).toHaveBeenCalledWith({
    all: [{ field: "url", op: "one_of", value: ["http://a.test/a,b", "Two words"] }],
  });
});

test("a question without a value needs none, and yes or no is one", () => {
  const changed = bar();
  fireEvent.click(screen.getByText("+ Condition"));
  choose("Column", "faults");
  choose("Question", "are none");
  narrow();
  expect(changed).toHaveBeenLastCalledWith({ all: [{ field: "faults", op: "empty" }] });
  fireEvent.click(screen.getByText("+ Condition"));
  choose("Column", "noindex");
  narrow();
  expect(changed.mock.lastCall?.[0].all[1]).toEqual({ field: "noindex", op: "is", value: true });
});

test("alternatives are added beside a condition and dropped one by one", () => {
  const words: Condition = { field: "words", op: "below", value: 200 };
  const changed = bar({ all: [words] });
  fireEvent.click(screen.getByRole("button", { name: "or, beside words below 200" }));
  choose("Column", "stop");
  choose("Value", "noindex");
  narrow();
  const stop = { field: "stop", op: "is", value: "open" };
  expect(changed).toHaveBeenLastCalledWith({ all: [{ any: [words, stop] }] });
  fireEvent.click(screen.getAllByTestId("CancelIcon")[0] as Element);
  expect(changed).toHaveBeenLastCalledWith({ all: [stop] });
  fireEvent.click(screen.getByText("Show all"));
  expect(changed).toHaveBeenLastCalledWith({ all: [] });
});

test.each<[keyof Row, string[], Condition]>([
  ["url", ["Narrow to this", "Leave this out"], { field: "url", op: "is", value: "http://a.test/" }],
  ["words", ["Narrow to this", "Leave this out", "This and more"], { field: "words", op: "is", value: 12 }],
  ["noindex", ["Narrow to this", "Leave this out"], { field: "noindex", op: "is", value: true }],
  ["seen", ["Narrow to this day and later"], { field: "seen", op: "since", value: "2027-01-04" }],
  [
    "faults",
    ["Narrow to this", "Leave this out", "Narrow to this", "Leave this out"],
    { field: "faults", op: "has", value: "thin" },
  ],
])("the menu of a cell of %s narrows to its value", (field, words, condition) => {
  const narrowed = vi.fn();
  const cell = { column: COLUMNS.find((one) => one.field === field) as Column<Row>, row: ROW, top: 0, left: 0 };
  render(<CellMenu columns={COLUMNS} cell={cell} close={() => undefined} narrow={narrowed} />);
  const items = screen.getAllByRole("menuitem");
  expect(items.map((item) => item.textContent?.split(":")[0])).toEqual([...words, "Copy"]);
  fireEvent.click(items[0] as Element);
  expect(narrowed).toHaveBeenCalledWith(condition);
});

test("an empty cell narrows to what is empty, and has nothing to be copied", () => {
  const cell = { column: COLUMNS[1] as Column<Row>, row: { ...ROW, words: null }, top: 0, left: 0 };
  render(<CellMenu columns={COLUMNS} cell={cell} close={() => undefined} narrow={() => undefined} />);
  expect(screen.getAllByRole("menuitem").map((item) => item.textContent)).toEqual([
    "Narrow to this: words not known",
    "Copy",
  ]);
  expect(screen.getByText("Copy").getAttribute("aria-disabled")).toBe("true");
});

function menu(field: keyof Row, order: string[] = ["url", "words", "stop"]) {
  const acts = { sort: vi.fn(), order, setOrder: vi.fn(), width: vi.fn(), mark: vi.fn() };
  const at = { column: COLUMNS.find((one) => one.field === field) as Column<Row>, anchor: document.body, width: 80 };
  render(<ColumnMenu at={at} acts={acts} close={() => undefined} />);
  return acts;
}

test("a column is sorted by, moved, made wider and left out", () => {
  const acts = menu("words");
  for (const name of ["Sort downwards", "Move to the left", "Move to the right", "Wider", "Leave the column out"])
    fireEvent.click(screen.getByText(name));
  expect(acts.sort).toHaveBeenCalledWith("-words");
  expect(acts.setOrder.mock.calls).toEqual([[["words", "url", "stop"]], [["url", "stop", "words"]], [["url", "stop"]]]);
  expect(acts.width).toHaveBeenCalledWith("words", 140);
});

test("what would leave nothing, or go nowhere, can’t be chosen; only numbers have limits", () => {
  menu("url");
  const off = screen.getAllByRole("menuitem").filter((item) => item.getAttribute("aria-disabled") === "true");
  expect(off.map((item) => item.textContent)).toEqual(["Move to the left", "Leave the column out"]);
  expect(screen.queryByText(/Mark cells/)).toBeNull();
  expect(screen.queryByText("Count by this column")).toBeNull();
});

test("columns are chosen one by one or as a set", () => {
  const chosen = vi.fn();
  const sets = [{ name: "How it answers", fields: ["url", "seen"] }];
  render(<ColumnChoice all={COLUMNS} shown={["url", "words"]} choose={chosen} sets={sets} />);
  fireEvent.click(screen.getByRole("button", { name: "Columns" }));
  const list = inside(screen.getByRole("menu"));
  fireEvent.click(list.getByRole("menuitemcheckbox", { name: "words" }));
  fireEvent.click(list.getByRole("menuitemcheckbox", { name: "stop" }));
  fireEvent.click(list.getByText("How it answers"));
  expect(chosen.mock.calls).toEqual([[["url"]], [["url", "words", "stop"]], [["url", "seen"]]]);
});
