import { Apart, Clipped, Quiet, Wrong } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { UrlLink } from "../../../kit/parts";
import { MONO } from "../../../theme";

const SHOWN = 30;

/** URLs that a robots.txt blocks or allows otherwise than before. */
export function Changed({ what, change }: { what: string; change: Schemas["RobotsChange"] }) {
  return (
    <Apart mb={1}>
      <strong>
        {counted(change.total, "URL")} {what}
      </strong>
      {change.wanted > 0 && <Wrong component="span">{`, ${count(change.wanted)} of them should be indexed`}</Wrong>}
      <Box sx={{ maxHeight: 130, overflow: "auto" }}>
        {change.rows.slice(0, SHOWN).map((row) => (
          <Clipped key={row.url_id} title={row.rule ?? undefined}>
            <UrlLink id={row.url_id} url={row.url} />
          </Clipped>
        ))}
      </Box>
    </Apart>
  );
}

const MARKS = { same: " ", added: "+", removed: "−" };

/** Two files, line by line. */
export function Difference({ difference }: { difference: Schemas["RobotsDraft"]["difference"] }) {
  if (difference.every((line) => line.change === "same")) return <Quiet>They are the same.</Quiet>;
  return (
    <Box
      component="pre"
      sx={{ m: 0, fontFamily: MONO, fontSize: 12, whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}
    >
      {difference.map((line, place) => (
        <Box
          key={place}
          component="span"
          sx={{
            display: "block",
            color: line.change === "added" ? "verdigris" : line.change === "removed" ? "rust" : "text.secondary",
          }}
        >
          {MARKS[line.change]} {line.text}
        </Box>
      ))}
    </Box>
  );
}
