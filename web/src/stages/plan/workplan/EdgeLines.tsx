import { useTheme } from "@mui/material/styles";
import { LANE_PX, TOP_PX } from "./Lane";
import type { Bar } from "./useLanes";

type Props = { bars: Bar[]; names: string[]; focus: string | undefined; zoom: number; width: number };

const MIDDLE_PX = 58;

/** What must be done before the bar in focus, and what waits for it, as lines from end to beginning. */
export function EdgeLines({ bars, names, focus, zoom, width }: Props) {
  const { palette } = useTheme();
  const bar = bars.find((one) => one.id === focus);
  if (!bar) return null;
  const y = (one: Bar) => TOP_PX + names.indexOf(one.owner ?? "") * LANE_PX + MIDDLE_PX;
  const pairs = [
    ...bars.filter((one) => bar.after.includes(one.id)).map((one) => [one, bar] as const),
    ...bars.filter((one) => one.after.includes(bar.id)).map((one) => [bar, one] as const),
  ];
  return (
    <svg
      aria-hidden
      width={width}
      height={TOP_PX + names.length * LANE_PX}
      style={{ position: "absolute", left: 0, top: 0, pointerEvents: "none", zIndex: 3 }}
    >
      {pairs.map(([from, to]) => {
        const [x1, x2] = [from.end * zoom, to.begin * zoom];
        const bend = Math.max(24, Math.abs(x2 - x1) / 3);
        return (
          <path
            key={`${from.id} ${to.id}`}
            d={`M ${x1} ${y(from)} C ${x1 + bend} ${y(from)}, ${x2 - bend} ${y(to)}, ${x2} ${y(to)}`}
            fill="none"
            stroke={palette.verdigris}
            strokeWidth={2}
          />
        );
      })}
    </svg>
  );
}
