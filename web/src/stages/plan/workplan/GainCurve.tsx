import Box from "@mui/material/Box";
import { useTheme } from "@mui/material/styles";
import { count } from "../../../kit/format";
import { Apart, Quiet } from "../../../kit/pieces";
import { points } from "./points";
import type { Lanes } from "./useLanes";

type Props = { curve: Lanes["curve"]; days: number; zoom: number };

const HEIGHT = 150;

/** The benefit that is free by each day: as planned, as the fixes came, and at most. */
export function GainCurve({ curve, days, zoom }: Props) {
  const { palette } = useTheme();
  const most = Math.max(1, ...[curve.planned, curve.first_come, curve.bound].flat().map((one) => one[1] ?? 0));
  if (curve.planned.length === 0) return null;
  const line = (some: number[][]) => points(some, { days, zoom, height: HEIGHT, most });
  return (
    <Apart component="figure" m={0} mt={2}>
      <Box component="figcaption" sx={{ display: "flex", gap: 2, position: "sticky", left: 0, width: "fit-content" }}>
        <strong>Benefit freed</strong>
        <Key color={palette.verdigris} text="as laid out" />
        <Key color={palette.slate} dash="4 3" text="in the order in which they came" />
        <Key color={palette.moss} dash="1 3" text="at most, whatever the order" />
        <Quiet component="span">{count(Math.round(most))} in all</Quiet>
      </Box>
      <svg width={days * zoom} height={HEIGHT + 8} role="img" aria-label="Benefit freed by day">
        <polyline points={line(curve.bound)} fill="none" stroke={palette.moss} strokeDasharray="1 3" strokeWidth={2} />
        <polyline
          points={line(curve.first_come)}
          fill="none"
          stroke={palette.slate}
          strokeDasharray="4 3"
          strokeWidth={1.5}
        />
        <polyline points={line(curve.planned)} fill="none" stroke={palette.verdigris} strokeWidth={3} />
        <line x1={0} x2={days * zoom} y1={HEIGHT + 4} y2={HEIGHT + 4} stroke={palette.iron} strokeWidth={2} />
      </svg>
    </Apart>
  );
}

function Key({ color, text, dash }: { color: string; text: string; dash?: string }) {
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 0.75, alignItems: "center", color: "text.secondary" }}>
      <svg width={26} height={8} aria-hidden>
        <line x1={0} x2={26} y1={4} y2={4} stroke={color} strokeWidth={2.5} strokeDasharray={dash} />
      </svg>
      {text}
    </Box>
  );
}
