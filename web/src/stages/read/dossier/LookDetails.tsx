import Box from "@mui/material/Box";
import { count, counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import type { Look } from "./useLooks";

const OUTCOMES = { loaded: "loaded", failed: "failed", blocked: "blocked by robots.txt", refused: "not asked for" };

/** What the page asked for while it was rendered, what it had to do without first. */
export function Requests({ look }: { look: Look }) {
  const rows = [...look.requests].sort((one, other) => rank(one.outcome) - rank(other.outcome));
  const without = rows.filter((one) => one.outcome !== "loaded").length;
  return (
    <Part title="What it asked for" level="h3">
      <Quiet small>
        {counted(rows.length, "request")}; the crawler had to do without {without}.
      </Quiet>
      <Roomy label="What it asked for" columns={["What", "Address", "Outcome", "KB"]}>
        {rows.map((one, place) => (
          <tr key={place}>
            <td>{one.type?.toLowerCase()}</td>
            <td style={{ overflowWrap: "anywhere" }}>{one.url}</td>
            <Box component="td" sx={{ color: one.outcome === "loaded" ? undefined : "rust" }}>
              {OUTCOMES[one.outcome]}
              {one.why && one.outcome !== "loaded" && <Quiet small>{one.why}</Quiet>}
            </Box>
            <td>{count(Math.round((one.bytes ?? 0) / 100) / 10)}</td>
          </tr>
        ))}
      </Roomy>
    </Part>
  );
}

const rank = (outcome: Look["requests"][number]["outcome"]) => (outcome === "loaded" ? 1 : 0);

/** What the page said to its developers. */
export function Console({ look }: { look: Look }) {
  return (
    <Part title="Console" level="h3">
      {look.console.length === 0 && <Quiet>It said nothing.</Quiet>}
      {look.console.map((one, place) => (
        <Box key={place} sx={{ mb: 0.5, overflowWrap: "anywhere" }}>
          <Quiet component="span">{one.level}:</Quiet> {one.text}
          {one.url && (
            <Quiet small>
              {one.url}
              {one.line !== null && `, line ${one.line}`}
            </Quiet>
          )}
        </Box>
      ))}
    </Part>
  );
}
