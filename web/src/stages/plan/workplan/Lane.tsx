import Box from "@mui/material/Box";
import type { KeyboardEvent } from "react";
import { BarView } from "./BarView";
import type { Bar, Lanes } from "./useLanes";

/** How far down the first lane begins, and how high one is. */
export const TOP_PX = 28;
export const LANE_PX = 93;

type Props = {
  name: string;
  bars: Bar[];
  free: [number, number][];
  plan: Lanes;
  zoom: number;
  most: number;
  focus: string | undefined;
  setFocus: (id: string | undefined) => void;
  put: (id: string, owner: string, day: number | null) => void;
  others: string[];
  open: (id: string) => void;
};

/** One owner's bars, on the days on which work is done. */
export function Lane({ name, bars, free, plan, zoom, most, focus, setFocus, put, others, open }: Props) {
  const known = plan.owners.find((one) => one.name === name);
  const keys = (bar: Bar) => (event: KeyboardEvent) => {
    const begins = Math.floor(bar.begin);
    const place = others.indexOf(name);
    const acts: Record<string, () => void> = {
      ArrowRight: () => put(bar.id, name, begins + 1),
      ArrowLeft: () => put(bar.id, name, begins - 1),
      ArrowDown: () => put(bar.id, others[Math.min(place + 1, others.length - 1)] ?? name, begins),
      ArrowUp: () => put(bar.id, others[Math.max(place - 1, 0)] ?? name, begins),
      l: () => put(bar.id, name, bar.locked ? null : begins),
      Enter: () => open(bar.id),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const dropped = (id: string, x: number) => put(id, name, Math.floor(x / zoom));
  return (
    <Box
      component="section"
      aria-label={name}
      sx={{ borderBottom: 1, borderColor: "slate", pt: 0.75, height: LANE_PX, boxSizing: "border-box" }}
    >
      <Box sx={{ fontWeight: 600, fontSize: 13, position: "sticky", left: 0, width: "fit-content" }}>
        {name}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
          {known && `, ${known.hours_per_day} h a day`}
        </Box>
      </Box>
      <Box
        sx={{ position: "relative", height: 64 }}
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const id = event.dataTransfer.getData("text/plain");
          if (id) dropped(id, event.clientX - box.left);
        }}
      >
        {free.map(([from, to]) => (
          <Box key={from} sx={FREE} style={{ left: from * zoom, width: (to - from) * zoom }} />
        ))}
        {bars.map((bar) => (
          <BarView
            key={bar.id}
            bar={bar}
            zoom={zoom}
            most={most}
            related={related(bar, plan.bars, focus)}
            focused={focus === bar.id}
            setFocus={setFocus}
            keys={keys(bar)}
            open={open}
          />
        ))}
      </Box>
    </Box>
  );
}

/** Whether it stands before or after the bar in focus. */
function related(bar: Bar, all: Bar[], focus: string | undefined) {
  if (!focus || focus === bar.id) return false;
  return bar.after.includes(focus) || all.some((one) => one.id === focus && one.after.includes(bar.id));
}

const FREE = {
  position: "absolute",
  top: 0,
  bottom: 0,
  background: "repeating-linear-gradient(135deg, rgba(35,41,44,.07) 0 1px, transparent 1px 6px)",
} as const;
