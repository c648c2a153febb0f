import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import type { Condition } from "../conditions";
import { type Column, plain } from "./columns";
import { sentence } from "./sentence";

/** A cell that was asked about: its column, its row, and where the menu shall open. */
export type Cell<Row> = { column: Column<Row>; row: Row; top: number; left: number };

type Props<Row> = {
  columns: Column<Row>[];
  cell: Cell<Row> | null;
  close: () => void;
  narrow: (condition: Condition) => void;
};

/** What can be done with the value of one cell: narrow to it, leave it out, copy it. */
export function CellMenu<Row>({ columns, cell, close, narrow }: Props<Row>) {
  const choices = cell ? choicesOf(cell.column, cell.row[cell.column.field]) : [];
  const text = cell ? plain(cell.row[cell.column.field]) : "";
  return (
    <Menu
      open={!!cell}
      onClose={close}
      anchorReference="anchorPosition"
      anchorPosition={cell ? { top: cell.top, left: cell.left } : undefined}
      slotProps={{ list: { dense: true, "aria-label": cell?.column.name } }}
    >
      {choices.map(([words, condition]) => (
        <MenuItem
          key={JSON.stringify(condition)}
          onClick={() => {
            narrow(condition);
            close();
          }}
        >
          {words}: {sentence(columns, condition).join(" ").slice(0, 70)}
        </MenuItem>
      ))}
      <MenuItem
        disabled={text === ""}
        onClick={() => {
          void navigator.clipboard.writeText(text);
          close();
        }}
      >
        Copy
      </MenuItem>
    </Menu>
  );
}

/** Narrowing to a value and leaving it out, as the kind of column allows. */
function choicesOf<Row>(column: Column<Row>, value: unknown): [string, Condition][] {
  const field = column.field;
  if (value === null || value === undefined || value === "" || (Array.isArray(value) && value.length === 0))
    return [
      ["Narrow to this", { field, op: "empty" }],
      ...(column.kind === "number" || column.kind === "date"
        ? []
        : ([["Leave this out", { field, op: "filled" }]] as [string, Condition][])),
    ];
  if (Array.isArray(value))
    return value.slice(0, 6).flatMap((one: string): [string, Condition][] => [
      ["Narrow to this", { field, op: "has", value: one }],
      ["Leave this out", { field, op: "has_not", value: one }],
    ]);
  if (typeof value === "boolean")
    return [
      ["Narrow to this", { field, op: "is", value }],
      ["Leave this out", { field, op: "is", value: !value }],
    ];
  if (column.kind === "date")
    return [["Narrow to this day and later", { field, op: "since", value: String(value).slice(0, 10) }]];
  if (typeof value !== "string" && typeof value !== "number") return [];
  return [
    ["Narrow to this", { field, op: "is", value }],
    ["Leave this out", { field, op: "is_not", value }],
    ...(column.kind === "number"
      ? ([["This and more", { field, op: "at_least", value }]] as [string, Condition][])
      : []),
  ];
}
