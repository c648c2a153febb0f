import Box from "@mui/material/Box";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type MouseEvent, useEffect, useRef, useState } from "react";
import type { LedgerRow } from "../../../api/client";
import { Loading } from "../../../kit/Notice";
import { type Cell, CellMenu } from "./CellMenu";
import { cellContent, type Column } from "./columns";
import type { Selection } from "./useSelection";
import type { useLedger } from "./useLedger";

const ROW = 32;

type Props = { ledger: ReturnType<typeof useLedger>; selection: Selection; mainHost: string };

/** The rows, drawn only where they are seen; more are fetched as the end comes near. */
export function LedgerTable({ ledger, selection, mainHost }: Props) {
  const field = useRef<HTMLDivElement>(null);
  const { rows, columns, pages } = ledger;
  const [at, setAt] = useState(0);
  const [cell, setCell] = useState<Cell | null>(null);
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

  useRowKeys(
    rows,
    at,
    (index) => {
      setAt(index);
      virtual.scrollToIndex(index);
    },
    ledger.open,
    selection.flip,
    (row) => {
      const place = field.current?.querySelector(`[data-row="${row.url_id}"]`)?.getBoundingClientRect();
      if (place) setCell({ field: "url", row, top: place.bottom, left: place.left + 16 });
    },
  );

  const pick = (event: MouseEvent, index: number, row: LedgerRow) => {
    setAt(index);
    if (event.shiftKey) selection.range(index);
    else if (event.ctrlKey || event.metaKey) selection.flip(index);
    else ledger.open(row.url_id);
  };

  if (pages.isLoading) return <Loading what="the ledger" />;
  if (rows.length === 0)
    return <Box sx={{ p: 4, color: "text.secondary" }}>No URL meets these conditions. Drop one of them above.</Box>;

  const template = columns
    .map((column) =>
      column.field === "url" ? `minmax(${column.width}px, 2fr)` : `minmax(${column.width}px, ${column.width}fr)`,
    )
    .join(" ");
  return (
    <Box
      ref={field}
      role="table"
      aria-label="URLs"
      aria-rowcount={rows.length}
      tabIndex={0}
      sx={{ overflow: "auto", borderTop: 1, borderColor: "divider" }}
    >
      <Box sx={{ minWidth: columns.reduce((sum, column) => sum + column.width, 0) }}>
        <Head columns={columns} template={template} sort={ledger.sort} sortBy={ledger.sortBy} />
        <Box role="rowgroup" sx={{ height: virtual.getTotalSize(), position: "relative", bgcolor: "background.paper" }}>
          {items.map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <Row
                key={row.url_id}
                row={row}
                columns={columns}
                mainHost={mainHost}
                template={template}
                top={item.start}
                marked={item.index === at}
                opened={row.url_id === ledger.openUrl}
                picked={selection.picked.has(row.url_id)}
                act={(event) => pick(event, item.index, row)}
                ask={(event, field) => {
                  event.preventDefault();
                  setAt(item.index);
                  setCell({ field, row, top: event.clientY, left: event.clientX });
                }}
              />
            );
          })}
        </Box>
      </Box>
      <CellMenu cell={cell} close={() => setCell(null)} narrow={ledger.narrow} />
    </Box>
  );
}

/** j and k move, x picks, Enter opens, m asks about the row. */
function useRowKeys(
  rows: LedgerRow[],
  at: number,
  move: (index: number) => void,
  open: (id: string) => void,
  pick: (index: number) => void,
  ask: (row: LedgerRow) => void,
) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A menu or a dialog on top has the keys for itself.
      if (
        event.target instanceof HTMLElement &&
        event.target.closest("input, textarea, select, button, a, [role=menu], [role=dialog]")
      )
        return;
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const row = rows[at];
      if (event.key === "j") move(Math.min(rows.length - 1, at + 1));
      else if (event.key === "k") move(Math.max(0, at - 1));
      else if (event.key === "x") pick(at);
      else if (event.key === "m" && row) ask(row);
      else if (event.key === "Enter" && row) open(row.url_id);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [rows, at, move, open, pick, ask]);
}

type HeadProps = { columns: Column[]; template: string; sort: string; sortBy: (field: string) => void };

function Head({ columns, template, sort, sortBy }: HeadProps) {
  return (
    <Box role="rowgroup" sx={{ position: "sticky", top: 0, zIndex: 1 }}>
      <Box
        role="row"
        sx={{
          display: "grid",
          gridTemplateColumns: template,
          bgcolor: "background.default",
          borderBottom: 2,
          borderColor: "iron",
        }}
      >
        {columns.map((column) => {
          const direction =
            sort === column.field ? "ascending" : sort === `-${column.field}` ? "descending" : undefined;
          return (
            <Box
              key={column.field}
              role="columnheader"
              aria-sort={direction ?? (column.sortable ? "none" : undefined)}
              sx={{
                px: 1.25,
                py: 0.75,
                fontSize: 12,
                fontWeight: 650,
                textAlign: column.kind === "number" ? "right" : "left",
                color: "text.secondary",
              }}
            >
              {column.sortable ? (
                <Box
                  component="button"
                  type="button"
                  onClick={() => sortBy(column.field)}
                  sx={{
                    font: "inherit",
                    color: direction ? "text.primary" : "inherit",
                    bgcolor: "transparent",
                    border: 0,
                    p: 0,
                    cursor: "pointer",
                    whiteSpace: "nowrap",
                  }}
                >
                  {column.name}
                  {direction === "ascending" ? " ↑" : direction === "descending" ? " ↓" : ""}
                </Box>
              ) : (
                column.name
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

type RowProps = {
  row: LedgerRow;
  mainHost: string;
  columns: Column[];
  template: string;
  top: number;
  marked: boolean;
  opened: boolean;
  picked: boolean;
  act: (event: MouseEvent) => void;
  ask: (event: MouseEvent, field: string) => void;
};

function Row({ row, mainHost, columns, template, top, marked, opened, picked, act, ask }: RowProps) {
  return (
    <Box
      role="row"
      data-row={row.url_id}
      aria-selected={opened || picked}
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
        bgcolor: opened || picked ? "color-mix(in srgb, var(--mui-palette-verdigris) 14%, transparent)" : undefined,
        boxShadow: marked ? "inset 3px 0 0 var(--mui-palette-verdigris)" : undefined,
        "&:hover": { bgcolor: "color-mix(in srgb, var(--mui-palette-verdigris) 8%, transparent)" },
      }}
    >
      {columns.map((column) => (
        <Box
          key={column.field}
          role="cell"
          onContextMenu={(event) => ask(event, column.field)}
          title={column.kind === "set" || column.kind === "flag" ? undefined : String(row[column.field] ?? "")}
          sx={{
            px: 1.25,
            overflow: "hidden",
            textOverflow: "ellipsis",
            whiteSpace: "nowrap",
            textAlign: column.kind === "number" ? "right" : "left",
            minWidth: 0,
          }}
        >
          {cellContent(column, row, mainHost)}
        </Box>
      ))}
    </Box>
  );
}
