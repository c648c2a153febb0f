import { NoRows } from "../pieces";
import Box from "@mui/material/Box";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type MouseEvent, type ReactNode, useEffect, useRef, useState } from "react";
import type { Condition } from "../conditions";
import { shortCount } from "../format";
import { type Cell, CellMenu } from "./CellMenu";
import type { ColumnActs } from "./ColumnMenu";
import { type Column, nameOf, plain } from "./columns";
import { Head } from "./Head";
import { useRowKeys } from "./useRowKeys";
import { useWidths } from "./useWidths";

const ROW = 32;

/** Rows that are fetched in pages, as TanStack Query gives them. */
type Pages = { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };

type Props<Row> = {
  /** What its rows are, for those who can't see them; the widths of its columns are kept under it. */
  label: string;
  columns: Column<Row>[];
  /** All columns there are, which a cell's menu may speak of. */
  all: Column<Row>[];
  rows: Row[];
  keyOf: (row: Row) => string;
  pages: Pages;
  sort: string;
  acts: Omit<ColumnActs, "width">;
  narrow: (condition: Condition) => void;
  open: (row: Row) => void;
  /** The key of the row that is open. */
  opened: string | null;
  picking?: { picked: ReadonlySet<string>; flip: (index: number) => void; range: (to: number) => void };
  /** Why a cell is marked; nothing where it isn't. */
  marked?: (row: Row, field: string) => string | undefined;
  empty: ReactNode;
};

/** A table whose rows are drawn only where they are seen; more are fetched as the end comes near. */
export function DataTable<Row extends object>(props: Props<Row>) {
  const { label, columns, rows, keyOf, pages, picking, open } = props;
  const field = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState(0);
  const [cell, setCell] = useState<Cell<Row> | null>(null);
  const { widths, set: setWidth } = useWidths(label);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => field.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const items = virtual.getVirtualItems();
  const last = items.at(-1)?.index ?? 0;
  const { hasNextPage, isFetchingNextPage, fetchNextPage } = pages;

  useEffect(() => {
    if (last >= rows.length - 40 && hasNextPage && !isFetchingNextPage) fetchNextPage();
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage]);

  useRowKeys(rows, at, {
    move: (index) => {
      setAt(index);
      virtual.scrollToIndex(index);
    },
    open,
    pick: (index) => picking?.flip(index),
    ask: (row) => {
      const place = field.current?.querySelector(`[data-row="${CSS.escape(keyOf(row))}"]`)?.getBoundingClientRect();
      const column = columns[0];
      if (place && column) setCell({ column, row, top: place.bottom, left: place.left + 16 });
    },
  });

  const pick = (event: MouseEvent, index: number, row: Row) => {
    setAt(index);
    if (event.shiftKey && picking) picking.range(index);
    else if ((event.ctrlKey || event.metaKey) && picking) picking.flip(index);
    else open(row);
  };

  if (rows.length === 0) return <NoRows>{props.empty}</NoRows>;

  const width = (column: Column<Row>) => widths[column.field] ?? column.width;
  const template = columns.map((column) => track(widths[column.field], column)).join(" ");
  return (
    <Box
      ref={field}
      role="table"
      aria-label={label}
      aria-rowcount={rows.length}
      tabIndex={0}
      sx={{ overflow: "auto", borderTop: 1, borderColor: "divider" }}
    >
      <Box sx={{ minWidth: columns.reduce((sum, column) => sum + width(column), 0) }}>
        <Head columns={columns} template={template} sort={props.sort} acts={{ ...props.acts, width: setWidth }} />
        <Box role="rowgroup" sx={{ height: virtual.getTotalSize(), position: "relative", bgcolor: "background.paper" }}>
          {items.map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            const key = keyOf(row);
            return (
              <TableRow
                key={key}
                row={row}
                id={key}
                columns={columns}
                template={template}
                top={item.start}
                at={item.index === at}
                chosen={key === props.opened || (picking?.picked.has(key) ?? false)}
                marked={props.marked}
                act={(event) => pick(event, item.index, row)}
                ask={(event, column) => {
                  event.preventDefault();
                  setAt(item.index);
                  setCell({ column, row, top: event.clientY, left: event.clientX });
                }}
              />
            );
          })}
        </Box>
      </Box>
      <CellMenu columns={props.all} cell={cell} close={() => setCell(null)} narrow={props.narrow} />
    </Box>
  );
}

/** A width that was given is kept; else the first column takes what room there is, and the others theirs. */
const track = <Row,>(given: number | undefined, column: Column<Row>) =>
  given === undefined
    ? `minmax(${column.width}px, ${column.kind === "text" ? column.width * 1.5 : column.width}fr)`
    : `${given}px`;

type RowProps<Row> = {
  row: Row;
  id: string;
  columns: Column<Row>[];
  template: string;
  top: number;
  at: boolean;
  chosen: boolean;
  marked: ((row: Row, field: string) => string | undefined) | undefined;
  act: (event: MouseEvent) => void;
  ask: (event: MouseEvent, column: Column<Row>) => void;
};

function TableRow<Row>({ row, id, columns, template, top, at, chosen, marked, act, ask }: RowProps<Row>) {
  return (
    <Box
      role="row"
      data-row={id}
      aria-selected={chosen}
      onClick={act}
      sx={{
        position: "absolute",
        top,
        left: 0,
        right: 0,
        height: ROW,
        display: "grid",
        gridTemplateColumns: template,
        alignItems: "center",
        borderBottom: 1,
        borderColor: "divider",
        cursor: "pointer",
        userSelect: "none",
        bgcolor: chosen ? "color-mix(in srgb, var(--mui-palette-verdigris) 14%, transparent)" : undefined,
        boxShadow: at ? "inset 3px 0 0 var(--mui-palette-verdigris)" : undefined,
        "&:hover": { bgcolor: "color-mix(in srgb, var(--mui-palette-verdigris) 8%, transparent)" },
      }}
    >
      {columns.map((column) => {
        const why = marked?.(row, column.field);
        return (
          <Box
            key={column.field}
            role="cell"
            onContextMenu={(event) => ask(event, column)}
            title={why ?? (column.kind === "set" || column.kind === "flag" ? undefined : plain(row[column.field]))}
            sx={{
              px: 1.25,
              overflow: "hidden",
              textOverflow: "ellipsis",
              whiteSpace: "nowrap",
              textAlign: column.kind === "number" ? "right" : "left",
              minWidth: 0,
            }}
          >
            {why ? <Beyond>{content(column, row)}</Beyond> : content(column, row)}
          </Box>
        );
      })}
    </Box>
  );
}

/** A value beyond a limit: underlined with the dashes of what weakens, and heavier. */
const Beyond = ({ children }: { children: ReactNode }) => (
  <Box component="strong" sx={{ borderBottom: "2px dashed", borderColor: "heather", pb: "1px" }}>
    {children}
  </Box>
);

/** What a cell shows. */
function content<Row>(column: Column<Row>, row: Row): ReactNode {
  if (column.show) return column.show(row);
  const value: unknown = row[column.field];
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") return shortCount(value);
  // Texts may run from right to left; what stands around them doesn't.
  return <bdi>{Array.isArray(value) ? value.join(", ") : nameOf(column, value)}</bdi>;
}
