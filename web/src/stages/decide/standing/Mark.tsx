import Box from "@mui/material/Box";
import { useTheme } from "@mui/material/styles";
import { STANDINGS } from "../../../kit/standings";

type Pattern = { colour: "verdigris" | "rust" | "brass" | "heather" | "slate" | "mist"; lines: string };

/** Each standing has a colour and a hatching of its own, so that it is told without colours as well. */
const PATTERNS: Record<string, Pattern> = {
  in_index: { colour: "verdigris", lines: "none" },
  kept_elsewhere: { colour: "brass", lines: "45deg, 3px" },
  passed_over: { colour: "rust", lines: "none" },
  waiting: { colour: "heather", lines: "90deg, 4px" },
  turned_away_noindex: { colour: "slate", lines: "45deg, 4px" },
  turned_away_robots: { colour: "slate", lines: "135deg, 4px" },
  moved: { colour: "brass", lines: "135deg, 5px" },
  missing: { colour: "rust", lines: "0deg, 4px" },
  server_failed: { colour: "rust", lines: "45deg, 3px" },
  hidden: { colour: "heather", lines: "45deg, 3px" },
  not_known: { colour: "slate", lines: "90deg, 2px" },
};

const NONE: Pattern = { colour: "mist", lines: "none" };

/** The mark of a standing: a square, or a stretch of a bar as long as its part. */
export function Mark({ state, part }: { state: string; part?: number }) {
  const { palette } = useTheme();
  const { colour, lines } = PATTERNS[state] ?? NONE;
  const [angle, step] = lines.split(", ");
  const ink = palette[colour];
  const paper = palette.background.paper;
  return (
    <Box
      component="span"
      title={part === undefined ? undefined : `${STANDINGS[state]}: ${part}`}
      sx={{
        display: "inline-block",
        width: part === undefined ? 14 : undefined,
        height: 14,
        flex: part === undefined ? "none" : `${part} 1 0`,
        minWidth: part === undefined ? undefined : "3px",
        background: lines === "none" ? ink : `repeating-linear-gradient(${angle}, ${ink} 0 2px, ${paper} 2px ${step})`,
        border: 1,
        borderColor: ink,
      }}
    />
  );
}

/** As what a band is filled with in a drawing. */
export const bandColour = (state: string) => (PATTERNS[state] ?? NONE).colour;
