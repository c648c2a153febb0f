import Box from "@mui/material/Box";
import type { Dossier } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { RUNGS } from "../../../kit/rungs";
import { colourOf, Sign, type State } from "../../../kit/signs/Sign";

type Step = Dossier["climb"][number];

/** The eight rungs with what was judged at each; the first that stops is its stop. */
export function Ladder({ dossier }: { dossier: Dossier }) {
  const { climb } = dossier;
  const steps = new Map<string, Step>(climb.map((step) => [step.rung, step]));
  const stop = climb.find((step) => step.state === "stop")?.rung;
  return (
    <Box
      component="ol"
      aria-label="Ladder"
      sx={{
        m: 0,
        p: 0,
        listStyle: "none",
        display: "grid",
        gridTemplateColumns: "repeat(8, minmax(0, 1fr))",
        border: 1,
        borderColor: "divider",
      }}
    >
      {RUNGS.map((rung) => {
        const step = steps.get(rung.name);
        const state: State = step?.state === "pass" ? "passes" : step?.state === "stop" ? rung.state : "unknown";
        const isStop = rung.name === stop;
        return (
          <Box
            component="li"
            key={rung.name}
            title={step?.reason ?? rung.meaning}
            sx={{
              p: 1,
              borderLeft: 1,
              borderColor: "divider",
              bgcolor: isStop ? `color-mix(in srgb, ${colourOf(state)} 14%, transparent)` : undefined,
              boxShadow: isStop ? `inset 0 -4px 0 ${colourOf(state)}` : undefined,
            }}
          >
            <Box
              sx={{
                display: "flex",
                gap: 0.5,
                alignItems: "center",
                fontWeight: 650,
                lineHeight: 1.2,
                color: colourOf(state),
              }}
            >
              <Sign state={state} size={14} /> {isStop ? rung.cause : rung.step}
            </Box>
            <Box
              sx={{
                fontSize: 12,
                overflowWrap: "anywhere",
                display: "-webkit-box",
                WebkitLineClamp: 3,
                WebkitBoxOrient: "vertical",
                overflow: "hidden",
              }}
            >
              {step?.reason ??
                (step?.state === "pass" ? passing(rung.name, dossier.url) : step ? "not known" : "not judged yet")}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

/** What lets it pass a rung, in a few words. */
function passing(rung: string, url: Dossier["url"]) {
  if (rung === "found") return url.depth == null ? "listed in a sitemap" : counted(url.depth, "click");
  if (rung === "answers") return `${url.status} in ${count(url.response_ms ?? 0)} ms`;
  if (rung === "own") return url.canonical_state === "self" ? "canonical is itself" : "no canonical";
  return { allowed: "by robots.txt", direct: "no redirect", open: "no noindex" }[rung] ?? "passes";
}
