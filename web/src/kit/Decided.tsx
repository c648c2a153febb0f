import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../api/client";
import { day } from "./format";
import { MONO } from "../theme";
import { useUndo } from "./useDecide";
import { WhyNot } from "./WhyNot";

type Decision = Schemas["Decision"];

/** Decisions with who, when and why; the newest of a subject can be taken back. */
export function Decided({ site, decisions }: { site: number; decisions: Decision[] }) {
  const undo = useUndo(site);
  const newest = new Set<string>();
  if (decisions.length === 0) return <Box sx={{ color: "text.secondary" }}>Nothing was decided yet.</Box>;
  return (
    <>
      <WhyNot error={undo.error} sx={{ mb: 1 }} />
      <Box component="ul" aria-label="Decisions" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {decisions.map((one) => {
          const subject = `${one.kind} ${one.subject}`;
          const inForce = one.undone_at === null && !newest.has(subject);
          if (inForce) newest.add(subject);
          return (
            <Box
              component="li"
              key={one.id}
              sx={{
                display: "grid",
                gridTemplateColumns: "minmax(0, 1fr) auto",
                columnGap: 1.5,
                py: 0.5,
                borderBottom: 1,
                borderColor: "divider",
                color: inForce ? "text.primary" : "text.secondary",
              }}
            >
              <Box sx={{ minWidth: 0, overflowWrap: "anywhere" }}>
                <Box component="span" sx={{ fontFamily: MONO, fontSize: 12 }}>
                  {one.subject}
                </Box>{" "}
                <strong>{words(one)}</strong>
                {one.note && <em> {one.note}</em>}
                <Box sx={{ fontSize: 12, color: "text.secondary" }}>
                  {one.made_by}, {day(one.made_at)}
                  {one.undone_at && `; taken back by ${one.undone_by}, ${day(one.undone_at)}`}
                </Box>
              </Box>
              {inForce && (
                <Button onClick={() => undo.mutate([one.id])} disabled={undo.isPending}>
                  Take back
                </Button>
              )}
            </Box>
          );
        })}
      </Box>
    </>
  );
}

const INTENTS: Record<string, string> = { index: "index", keep_out: "keep out", undecided: "left open" };

/** What was settled, in a few words. */
function words({ kind, value }: Decision) {
  if (value === null) return "nothing any more";
  const said = value as Record<string, unknown>;
  switch (kind) {
    case "intent":
    case "group":
      return [INTENTS[String(said.intent)], said.follow === false && "links not followed"].filter(Boolean).join(", ");
    case "canonical":
    case "repoint":
      return `stands at ${String(said.target)}`;
    case "route":
      if (said.refused) return "no suggestion will do";
      return said.to ? `${String(said.status)} to ${String(said.to)}` : "410, gone";
    case "languages":
      return `a set of ${Object.keys(said.pages as object).join(", ")}`;
    case "robots":
      return "a draft of robots.txt";
    case "sitemaps":
      return "a plan for sitemaps";
  }
}
