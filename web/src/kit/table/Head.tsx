import Box from "@mui/material/Box";
import { type DragEvent, type PointerEvent, useRef, useState } from "react";
import { type ColumnActs, ColumnMenu } from "./ColumnMenu";
import type { Column } from "./columns";

type Props<Row> = { columns: Column<Row>[]; template: string; sort: string; acts: ColumnActs };

/** The headings: a click sorts, the edge widens, a drag moves, and the small arrow opens what else there is. */
export function Head<Row>({ columns, template, sort, acts }: Props<Row>) {
  const [menu, setMenu] = useState<{ column: Column<Row>; anchor: HTMLElement; width: number } | null>(null);
  const dragged = useRef<string | null>(null);
  const drop = (before: string) => {
    const field = dragged.current;
    dragged.current = null;
    if (field === null || field === before) return;
    const order = acts.order.filter((one) => one !== field);
    order.splice(order.indexOf(before) + (acts.order.indexOf(field) < acts.order.indexOf(before) ? 1 : 0), 0, field);
    acts.setOrder(order);
  };
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
        {columns.map((column) => (
          <Heading
            key={column.field}
            column={column}
            direction={sort === column.field ? "ascending" : sort === `-${column.field}` ? "descending" : undefined}
            sortBy={() => acts.sort(sort === column.field ? `-${column.field}` : column.field)}
            ask={(anchor, width) => setMenu({ column, anchor, width })}
            widen={(width) => acts.width(column.field, width)}
            drag={(event) => {
              dragged.current = column.field;
              event.dataTransfer.effectAllowed = "move";
            }}
            drop={() => drop(column.field)}
          />
        ))}
      </Box>
      <ColumnMenu at={menu} acts={acts} close={() => setMenu(null)} />
    </Box>
  );
}

type HeadingProps<Row> = {
  column: Column<Row>;
  direction: "ascending" | "descending" | undefined;
  sortBy: () => void;
  ask: (anchor: HTMLElement, width: number) => void;
  widen: (width: number) => void;
  drag: (event: DragEvent) => void;
  drop: () => void;
};

function Heading<Row>({ column, direction, sortBy, ask, widen, drag, drop }: HeadingProps<Row>) {
  const cell = useRef<HTMLDivElement>(null);
  const right = column.kind === "number";
  return (
    <Box
      ref={cell}
      role="columnheader"
      aria-sort={direction ?? "none"}
      title={column.meaning}
      draggable
      onDragStart={drag}
      onDragOver={(event) => event.preventDefault()}
      onDrop={drop}
      sx={{
        position: "relative",
        display: "flex",
        justifyContent: right ? "flex-end" : "flex-start",
        alignItems: "center",
        minWidth: 0,
        px: 1.25,
        py: 0.5,
        fontSize: 12,
        fontWeight: 650,
        color: direction ? "text.primary" : "text.secondary",
        "& .more": { opacity: 0 },
        "&:hover .more, & .more:focus-visible": { opacity: 1 },
      }}
    >
      <Box
        component="button"
        type="button"
        onClick={sortBy}
        sx={{ ...BARE, overflow: "hidden", textOverflow: "ellipsis" }}
      >
        {column.name}
        {direction === "ascending" ? " ↑" : direction === "descending" ? " ↓" : ""}
      </Box>
      <Box
        component="button"
        type="button"
        className="more"
        aria-label={`More for ${column.name}`}
        aria-haspopup="menu"
        onClick={(event) => ask(event.currentTarget, cell.current?.offsetWidth ?? column.width)}
        sx={{ ...BARE, pl: 0.5, position: right ? "absolute" : "static", left: 2 }}
      >
        ▾
      </Box>
      <Edge cell={() => cell.current?.offsetWidth ?? column.width} widen={widen} />
    </Box>
  );
}

const BARE = {
  font: "inherit",
  color: "inherit",
  bgcolor: "transparent",
  border: 0,
  p: 0,
  cursor: "pointer",
  whiteSpace: "nowrap",
} as const;

/** The right edge of a heading, by which the column is drawn wider or narrower. */
function Edge({ cell, widen }: { cell: () => number; widen: (width: number) => void }) {
  const from = useRef<{ x: number; width: number } | null>(null);
  return (
    <Box
      aria-hidden
      draggable={false}
      onPointerDown={(event: PointerEvent<HTMLDivElement>) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, width: cell() };
      }}
      onPointerMove={(event) => {
        if (from.current) widen(from.current.width + event.clientX - from.current.x);
      }}
      onPointerUp={() => {
        from.current = null;
      }}
      sx={{
        position: "absolute",
        right: 0,
        top: 4,
        bottom: 4,
        width: 7,
        cursor: "col-resize",
        borderRight: "1px solid",
        borderColor: "divider",
      }}
    />
  );
}
