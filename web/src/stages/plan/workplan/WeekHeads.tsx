import Box from "@mui/material/Box";
import { day } from "../../../kit/format";
import { dayAfter, daysBetween } from "./days";
import type { Lanes } from "./useLanes";

type Props = { plan: Lanes; days: number; zoom: number; weeks: number[] };

/** Weeks, freezes and today, behind the lanes. */
export function WeekHeads({ plan, days, zoom, weeks }: Props) {
  return (
    <Box aria-hidden sx={{ position: "absolute", inset: 0, pointerEvents: "none" }}>
      {plan.freezes.map((freeze) => {
        const from = Math.max(0, daysBetween(plan.start, freeze.from));
        const to = Math.min(days, daysBetween(plan.start, freeze.to) + 1);
        return to > from ? (
          <Box key={`${freeze.from}${freeze.to}`} sx={{ ...FREEZE, left: from * zoom, width: (to - from) * zoom }}>
            {freeze.name ? `no work: ${freeze.name}` : "no work"}
          </Box>
        ) : null;
      })}
      {weeks.map((week) => (
        <Box key={week} sx={{ ...WEEK, left: week * zoom }}>
          {day(dayAfter(plan.start, week))}
        </Box>
      ))}
      {plan.today >= 0 && plan.today <= days && (
        <Box sx={{ ...WEEK, left: plan.today * zoom, borderColor: "rust", borderLeftWidth: 2, color: "rust", pt: 2 }}>
          today
        </Box>
      )}
    </Box>
  );
}

const WEEK = {
  position: "absolute",
  top: 0,
  bottom: 0,
  borderLeft: 1,
  borderColor: "divider",
  pl: 0.75,
  fontSize: 12,
  color: "text.secondary",
  whiteSpace: "nowrap",
} as const;

const FREEZE = {
  position: "absolute",
  top: 20,
  bottom: 0,
  fontSize: 11,
  pl: 0.5,
  color: "text.secondary",
  overflow: "hidden",
  whiteSpace: "nowrap",
  background: "repeating-linear-gradient(135deg, rgba(35,41,44,.10) 0 2px, transparent 2px 7px)",
} as const;
