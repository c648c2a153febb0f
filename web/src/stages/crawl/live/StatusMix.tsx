import { Inline } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";
import { colourOf, Sign, type State } from "../../../kit/signs/Sign";

type Part = { name: string; value: number; state: State };

/** What the answers were, as one bar whose parts are as long as their numbers. */
export function StatusMix({ progress }: { progress: Schemas["Progress"] }) {
  const parts: Part[] = [
    { name: "2xx, answered", value: progress.ok, state: "passes" },
    { name: "3xx, moved", value: progress.redirected, state: "diverts" },
    { name: "4xx, refused or missing", value: progress.refused, state: "stops" },
    { name: "5xx, failed", value: progress.failed, state: "stops" },
    { name: "no answer", value: progress.unanswered, state: "stops" },
    { name: "blocked by robots.txt", value: progress.blocked, state: "unknown" },
  ];
  const seen = parts.filter((part) => part.value > 0);
  if (seen.length === 0) return null;
  return (
    <Box>
      <Box aria-hidden sx={{ display: "flex", height: 14, gap: "2px" }}>
        {seen.map((part) => (
          <Box
            key={part.name}
            sx={{
              flexGrow: part.value,
              minWidth: 4,
              bgcolor: part.state === "unknown" ? "transparent" : colourOf(part.state),
              border: part.state === "unknown" ? "1.5px dashed" : 0,
            }}
          />
        ))}
      </Box>
      <Box component="ul" sx={{ listStyle: "none", p: 0, mt: 1, display: "flex", gap: 3, flexWrap: "wrap" }}>
        {seen.map((part) => (
          <Inline component="li" key={part.name} gap={0.75}>
            <Sign state={part.state} size={14} />
            <strong>{count(part.value)}</strong> {part.name}
          </Inline>
        ))}
      </Box>
    </Box>
  );
}
