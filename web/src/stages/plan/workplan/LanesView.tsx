import Box from "@mui/material/Box";
import Alert from "@mui/material/Alert";
import { type UIEvent, useEffect, useRef, useState } from "react";
import { counted } from "../../../kit/format";
import { Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { GainCurve } from "./GainCurve";
import { EdgeLines } from "./EdgeLines";
import { Lane, TOP_PX } from "./Lane";
import { dayAfter, mondays, spans } from "./days";
import { WeekHeads } from "./WeekHeads";
import { Tray } from "./Tray";
import type { Bar, Lanes, LanesWork } from "./useLanes";

type Props = { work: LanesWork; zoom: number; open: (id: string) => void };

const SPARE_DAYS = 7;
// Only what is in sight is drawn, and as much on both sides of it.
const STEP_PX = 800;
const STEPS_AHEAD = 4;

/** A lane an owner, weeks as columns; what isn't laid out lies in the tray. */
export function LanesView({ work, zoom, open }: Props) {
  const [focus, setFocus] = useState<string>();
  const [step, setStep] = useState(0);
  const lanes = useRef<HTMLElement>(null);
  const today = work.lanes.state === "ready" ? work.lanes.data.today : 0;
  useEffect(() => {
    if (lanes.current) lanes.current.scrollLeft = Math.max(0, (today - 1) * zoom);
  }, [today, zoom]);
  if (work.lanes.state !== "ready") return <Unready screen={work.lanes} />;
  const plan = work.lanes.data;
  const days = daysOf(plan);
  const most = Math.max(1, ...plan.bars.map((bar) => bar.benefit));
  const put = (id: string, owner: string, day: number | null) =>
    work.move.mutate({
      id,
      owner,
      start: plan.start,
      locked_start: day === null ? null : dayAfter(plan.start, Math.max(0, day)),
    });
  const names = plan.owners.map((one) => one.name);
  const inSight = (from: number, to: number) =>
    to * zoom >= (step - 1) * STEP_PX && from * zoom <= (step + STEPS_AHEAD) * STEP_PX;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: plan.tray_total > 0 ? "230px minmax(0, 1fr)" : "minmax(0, 1fr)",
        height: "100%",
      }}
    >
      {plan.tray_total > 0 && <Tray fixes={plan.tray} total={plan.tray_total} open={open} />}
      <Scroll
        tabIndex={0}
        role="region"
        aria-label="Lanes"
        ref={lanes}
        onScroll={(event: UIEvent<HTMLElement>) => setStep(Math.floor(event.currentTarget.scrollLeft / STEP_PX))}
      >
        {work.move.error && <Alert severity="error">{work.move.error.message}</Alert>}
        {names.length === 0 ? (
          <Quiet>Nobody works here yet: lay the fixes out, and say who does them.</Quiet>
        ) : (
          <Box sx={{ width: days * zoom, position: "relative", pt: `${TOP_PX}px`, pb: 2 }}>
            <WeekHeads plan={plan} days={days} zoom={zoom} weeks={mondays(plan.start, days)} />
            {names.map((name) => (
              <Lane
                key={name}
                name={name}
                bars={plan.bars.filter((bar) => bar.owner === name && inSight(bar.begin, bar.end))}
                free={spans(plan.free_days[name] ?? []).filter(([from, to]) => inSight(from, to))}
                plan={plan}
                zoom={zoom}
                most={most}
                focus={focus}
                setFocus={setFocus}
                put={put}
                others={names}
                open={open}
              />
            ))}
            <EdgeLines bars={plan.bars} names={names} focus={focus} zoom={zoom} width={days * zoom} />
            <Edges bars={plan.bars} focus={focus} />
            <GainCurve curve={plan.curve} days={days} zoom={zoom} />
          </Box>
        )}
      </Scroll>
    </Box>
  );
}

/** What waits for the bar in focus, and what it waits for, in words that assistive technology reads too. */
function Edges({ bars, focus }: { bars: Bar[]; focus: string | undefined }) {
  const bar = bars.find((one) => one.id === focus);
  if (!bar) return <Quiet small>Arrow keys move the bar in focus, l locks it or lets it go, Enter opens it.</Quiet>;
  const behind = bars.filter((one) => one.after.includes(bar.id)).map((one) => one.id);
  return (
    <Quiet small aria-live="polite">
      {bar.id} {bar.title}: {bar.hours} h, frees {bar.benefit.toFixed(1)}
      {bar.after.length > 0 && `, after ${bar.after.join(", ")}`}
      {behind.length > 0 && `, before ${behind.join(", ")}`}
      {bar.locked && ", locked"}
      {bar.late && `, late: ${bar.late}`}
    </Quiet>
  );
}

const daysOf = (plan: Lanes) => Math.ceil(Math.max(plan.today + 1, ...plan.bars.map((bar) => bar.end))) + SPARE_DAYS;

/** What is laid out, in a sentence. */
export function laidOutSentence(plan: Lanes) {
  const hours = plan.bars.reduce((sum, bar) => sum + bar.hours, 0);
  const late = plan.bars.filter((bar) => bar.late).length;
  return [
    `${counted(plan.bars.length, "fix", "fixes")} laid out, ${hours.toFixed(1)} hours`,
    ...(plan.gap === null ? [] : [`within ${plan.gap} % of the best order`]),
    ...(late > 0 ? [`${late} late`] : []),
  ].join(", ");
}
