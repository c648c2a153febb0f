import Box from "@mui/material/Box";
import { type KeyboardEvent, useRef } from "react";
import { useNavigate } from "react-router";
import type { Trellis } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { hostAndFolder } from "../../../kit/groups";
import { causeOf, RUNGS, stateOfRung } from "../../../kit/rungs";
import { colourOf, SignShape } from "../../../kit/signs/Sign";
import { climbing, HEAD, ROW, stem, sway, thickness, uprightAt, vine, WIDTH } from "./geometry";
import type { Cell } from "./types";

type Props = { trellis: Trellis; strays: boolean; addressOf: (cell: Cell) => string };

/** The iron and the vines: rows are page groups, uprights are rungs, and what stops drops off with its number. */
export function TrellisDrawing({ trellis, strays, addressOf }: Props) {
  const drawing = useRef<SVGSVGElement>(null);
  const judged = trellis.rungs.filter((rung) => rung.judged).length;
  const most = Math.max(...trellis.groups.map((group) => group.pages));
  const height = HEAD + trellis.groups.length * ROW + 8;

  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowRight: [0, 1], ArrowLeft: [0, -1], ArrowDown: [1, 0], ArrowUp: [-1, 0] }[event.key];
    if (!step || !drawing.current) return;
    event.preventDefault();
    moveFocus(drawing.current, step[0] ?? 0, step[1] ?? 0);
  };

  return (
    <Box sx={{ minWidth: 960 }}>
      <svg
        ref={drawing}
        viewBox={`0 0 ${WIDTH} ${height}`}
        width="100%"
        onKeyDown={onKey}
        role="group"
        aria-label="Trellis of page groups and rungs"
        style={{ display: "block" }}
      >
        <Iron rungs={trellis.rungs} height={height} />
        {trellis.groups.map((group, row) => (
          <Vine
            key={group.name}
            group={group}
            row={row}
            most={most}
            judged={judged}
            rungs={trellis.rungs}
            strays={strays}
            addressOf={addressOf}
          />
        ))}
      </svg>
    </Box>
  );
}

/** Moves between cells as between those of a table; in another row to the nearest column. */
function moveFocus(drawing: SVGSVGElement, rows: number, columns: number) {
  const cells = [...drawing.querySelectorAll<SVGGElement>("[data-row]")];
  const now = document.activeElement instanceof SVGElement ? document.activeElement : undefined;
  const row = Number(now?.getAttribute("data-row") ?? 0);
  const column = Number(now?.getAttribute("data-column") ?? 0);
  const at = (cell: SVGGElement) => ({ row: Number(cell.dataset.row), column: Number(cell.dataset.column) });
  const reachable = cells.filter((cell) => {
    const place = at(cell);
    return rows === 0 ? place.row === row && Math.sign(place.column - column) === columns : place.row === row + rows;
  });
  reachable.sort((one, two) => Math.abs(at(one).column - column) - Math.abs(at(two).column - column));
  reachable[0]?.focus();
}

function Iron({ rungs, height }: { rungs: Trellis["rungs"]; height: number }) {
  return (
    <g>
      {rungs.map((rung, index) => {
        const x = uprightAt(index);
        const colour = rung.judged ? "var(--mui-palette-iron)" : "var(--mui-palette-slate)";
        return (
          <g key={rung.name}>
            <title>{`${rung.name}: ${RUNGS[index]?.meaning}${rung.judged ? "" : " (not judged yet)"}`}</title>
            <path d={`M${x - 11} ${HEAD - 8}q11 -15 22 0`} fill="none" stroke={colour} strokeWidth="2" />
            <path
              d={`M${x} ${HEAD - 15}V${height}`}
              stroke={colour}
              strokeWidth={rung.judged ? 3 : 1.4}
              strokeDasharray={rung.judged ? undefined : "2 6"}
              strokeLinecap="round"
            />
            <text
              x={x}
              y={16}
              textAnchor="middle"
              fontSize="13.5"
              fontWeight="650"
              fill={rung.judged ? "var(--mui-palette-iron)" : "var(--mui-palette-slate)"}
            >
              {index + 1} {rung.name}
            </text>
          </g>
        );
      })}
    </g>
  );
}

type VineProps = {
  group: Trellis["groups"][number];
  row: number;
  most: number;
  judged: number;
  rungs: Trellis["rungs"];
  strays: boolean;
  addressOf: (cell: Cell) => string;
};

function Vine({ group, row, most, judged, rungs, strays, addressOf }: VineProps) {
  const y = HEAD + row * ROW + 20;
  const left = climbing(group, rungs);
  const end = judged === 8 ? WIDTH - 60 : uprightAt(judged - 1) + 40;
  // A stray should be thin: it is not what the trellis is for.
  const scale = strays ? most * 6 : most;
  const [host, name] = hostAndFolder(group.name);
  const fill = strays ? "var(--mui-palette-rust)" : "var(--mui-palette-moss)";
  const passing = counted(group.through, "page");
  return (
    <g>
      <path d={`M0 ${HEAD + row * ROW - 4}H${WIDTH}`} stroke="var(--mui-palette-mist)" />
      <text x={0} y={y} fontSize="14" fontWeight="650" fill="var(--mui-palette-iron)">
        {cut(name, 19)}
        <title>{group.name}</title>
      </text>
      <text x={0} y={y + 17} fontSize="12" fill="var(--mui-palette-slate)">
        {cut(`${counted(group.pages, "page")}${host && ` · ${host}`}`, 29)}
      </text>
      <path d={vine(left, judged, y - 4, scale, row)} fill={fill} />
      {judged < 8 && group.through > 0 && (
        <path
          d={tendril(end, y - 4, row)}
          fill="none"
          stroke={fill}
          strokeWidth="1.8"
          strokeDasharray="1 6"
          strokeLinecap="round"
        />
      )}
      <Weave row={row} y={y - 4} judged={judged} />
      {rungs.map((rung, index) => (
        <Drop
          key={rung.name}
          rung={rung.name}
          number={group.stops[rung.name] ?? 0}
          index={index}
          row={row}
          y={y - 4}
          width={thickness(left[index] ?? 0, scale)}
          after={thickness(left[index + 1] ?? 0, scale)}
          group={group.name}
          address={addressOf({ group: group.name, stop: rung.name })}
        />
      ))}
      {group.through > 0 && (
        <Target
          row={row}
          column={8}
          address={addressOf({ group: group.name, stop: null })}
          label={`${group.name}: ${passing} that nothing stops, as far as it could be judged`}
        >
          <rect x={WIDTH - 88} y={y - 20} width={88} height={32} fill="transparent" />
          {strays ? (
            <SignShape state="stops" x={WIDTH - 82} y={y - 14} />
          ) : (
            <SignShape state={judged === 8 ? "passes" : "unknown"} x={WIDTH - 82} y={y - 12} />
          )}
          <text
            x={WIDTH - 58}
            y={y + 1}
            fontSize="15"
            fontWeight="650"
            fill={strays ? "var(--mui-palette-rust)" : "var(--mui-palette-verdigris)"}
          >
            {count(group.through)}
          </text>
        </Target>
      )}
    </g>
  );
}

/** Every other upright passes before the vine, so that the plant is woven through the iron. */
function Weave({ row, y, judged }: { row: number; y: number; judged: number }) {
  return (
    <g>
      {[...Array(judged).keys()]
        .filter((index) => (index + row) % 2 === 0)
        .map((index) => (
          <path
            key={index}
            d={`M${uprightAt(index)} ${y - 17}V${y + 17}`}
            stroke="var(--mui-palette-iron)"
            strokeWidth="3"
          />
        ))}
    </g>
  );
}

type DropProps = {
  rung: string;
  number: number;
  index: number;
  row: number;
  y: number;
  width: number;
  after: number;
  group: string;
  address: string;
};

function Drop(props: DropProps) {
  if (props.number === 0) return null;
  const x = uprightAt(props.index);
  const edge = sway(x - 30, props.y, props.row) + props.width / 2;
  const signY = edge + 3;
  const state = stateOfRung(props.rung);
  return (
    <Target
      row={props.row}
      column={props.index}
      address={props.address}
      label={`${props.group}: ${counted(props.number, "page")} stopped: ${causeOf(props.rung)}`}
    >
      <rect x={x - 6} y={edge - 6} width={84} height={28} fill="transparent" />
      <path d={stem(x, edge, Math.max(1.5, props.width - props.after), signY + 7)} fill={colourOf(state)} />
      <SignShape state={state} x={x + 17} y={signY} />
      <text x={x + 37} y={signY + 14} fontSize="13.5" fontWeight="700" fill={colourOf(state)}>
        {count(props.number)}
      </text>
    </Target>
  );
}

/** A cell that opens its URLs in the ledger by click or key. */
function Target({
  row,
  column,
  address,
  label,
  children,
}: {
  row: number;
  column: number;
  address: string;
  label: string;
  children: React.ReactNode;
}) {
  const navigate = useNavigate();
  return (
    <g
      role="link"
      tabIndex={0}
      aria-label={label}
      data-row={row}
      data-column={column}
      style={{ cursor: "pointer" }}
      onClick={() => navigate(address)}
      onKeyDown={(event) => {
        if (event.key === "Enter" || event.key === " ") {
          event.preventDefault();
          navigate(address);
        }
      }}
    >
      <title>{label}</title>
      {children}
    </g>
  );
}

function tendril(from: number, y: number, row: number) {
  const steps: string[] = [];
  for (let x = from; x <= WIDTH - 88; x += 14) steps.push(`${x} ${Math.round(sway(x, y, row) * 10) / 10}`);
  return `M${steps.join("L")}`;
}

/** As much of a text as there is room for beside the vines. */
const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most)}…` : text);
