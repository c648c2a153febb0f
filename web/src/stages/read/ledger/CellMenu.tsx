import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import type { LedgerRow } from "../../../api/client";
import type { Condition } from "../../../kit/conditions";
import { type Column, columnOf } from "./columns";
import { sentence } from "./sentence";

/** A cell that was asked about: its column, its row, and where the menu shall open. */
export type Cell = { field: string; row: LedgerRow; top: number; left: number };

type Props = { cell: Cell | null; close: () => void; narrow: (condition: Condition) => void };

/** What can be done with the value of one cell: narrow to it, leave it out, copy it. */
export function CellMenu({ cell, close, narrow }: Props) {
  const column = cell ? columnOf(cell.field) : undefined;
  const choices = cell && column ? choicesOf(column, cell.row) : [];
  const text = cell && column ? plain(cell.row[column.field]) : "";
  return (
    <Menu
      open={!!cell}
      onClose={close}
      anchorReference="anchorPosition"
      anchorPosition={cell ? { top: cell.top, left: cell.left } : undefined}
      slotProps={{ list: { dense: true, "aria-label": column?.name } }}
    >
      {choices.map(([words, condition]) => (
        <MenuItem
          key={words}
          onClick={() => {
            narrow(condition);
            close();
          }}
        >
          {words}: {sentence(condition).join(" ").slice(0, 70)}
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
function choicesOf(column: Column, row: LedgerRow): [string, Condition][] {
  const field = column.field;
  const value = row[field];
  if (value === null || value === undefined || value === "" || (Array.isArray(value) && value.length === 0))
    return [
      ["Narrow to this", { field, op: "empty" }],
      ...(column.kind === "number" || column.kind === "date"
        ? []
        : ([["Leave this out", { field, op: "filled" }]] as [string, Condition][])),
    ];
  if (Array.isArray(value))
    return value.slice(0, 6).flatMap((one): [string, Condition][] => [
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
  return [
    ["Narrow to this", { field, op: "is", value }],
    ["Leave this out", { field, op: "is_not", value }],
    ...(column.kind === "number"
      ? ([["This and more", { field, op: "at_least", value }]] as [string, Condition][])
      : []),
  ];
}

const plain = (value: LedgerRow[keyof LedgerRow]) =>
  value === null || value === undefined ? "" : Array.isArray(value) ? value.join("\n") : String(value);
