import { Mono, PlainList, Quiet } from "./pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type Decision, settled } from "./decisions";
import { day } from "./format";
import { MONO } from "../theme";
import { CheckNow } from "./CheckNow";
import { useCurrent } from "./useCurrent";
import { useUndo } from "./useDecide";
import { WhyNot } from "./WhyNot";

/** What no page can show. */
const UNSEEN = new Set<Decision["kind"]>(["sitemaps", "link"]);

/**
 * Decisions with who, when and why, and the tag to write; the newest of a subject can be checked now and taken back.
 */
export function Decided({ site, decisions }: { site: number; decisions: Decision[] }) {
  const undo = useUndo(site);
  const { crawl } = useCurrent();
  const newest = new Set<string>();
  if (decisions.length === 0) return <Quiet>Nothing was decided yet.</Quiet>;
  return (
    <>
      <WhyNot error={undo.error} sx={{ mb: 1 }} />
      <PlainList aria-label="Decisions">
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
                <Mono component="span" size={12}>
                  {one.subject}
                </Mono>{" "}
                <strong>{words(one)}</strong>
                {one.note && <em> {one.note}</em>}
                {inForce && tag(one) && (
                  <Box component="code" sx={{ display: "block", fontFamily: MONO, fontSize: 12 }}>
                    {tag(one)}
                  </Box>
                )}
                <Quiet small>
                  {one.made_by}, {day(one.made_at)}
                  {one.undone_at && `; taken back by ${one.undone_by}, ${day(one.undone_at)}`}
                </Quiet>
                {inForce && one.value !== null && crawl?.run != null && !UNSEEN.has(one.kind) && (
                  <CheckNow crawl={crawl.id} decision={one.id} />
                )}
              </Box>
              {inForce && (
                <Button onClick={() => undo.mutate([one.id])} disabled={undo.isPending}>
                  Take back
                </Button>
              )}
            </Box>
          );
        })}
      </PlainList>
    </>
  );
}

const INTENTS: Record<string, string> = {
  index: "should be indexed",
  keep_out: "should be kept out",
  undecided: "left open",
};

const FATES: Record<string, string> = {
  keep: "stays as it is",
  improve: "is to be written better",
  merge_into: "goes into",
  redirect_to: "leads to",
  keep_out: "should be kept out",
  remove: "is to go",
};

/** What is to be written for a decision, where it is one tag. */
function tag(decision: Decision) {
  const { kind, value } = settled(decision);
  if (value === null) return undefined;
  if (kind === "canonical" && !value.target.includes("$"))
    return `<link rel="canonical" href="${value.target.replaceAll("&", "&amp;")}">`;
  if ((kind === "intent" || kind === "group") && value.intent === "keep_out")
    return `<meta name="robots" content="noindex${value.follow === false ? ", nofollow" : ""}">`;
  return undefined;
}

/** What was settled, in a few words. */
function words(decision: Decision) {
  const { kind, value } = settled(decision);
  if (value === null) return "nothing any more";
  switch (kind) {
    case "intent":
    case "group":
      return [INTENTS[value.intent], value.follow === false && "links not followed"].filter(Boolean).join(", ");
    case "canonical":
      return `its canonical should be ${value.target}`;
    case "repoint":
      return `links to it should lead to ${value.target}`;
    case "route":
      if (value.refused) return "left as it is";
      return value.to ? `${value.status} to ${value.to}` : "410, gone";
    case "languages":
      return `a set of ${Object.keys(value.pages).join(", ")}`;
    case "robots":
      return "a draft of robots.txt";
    case "sitemaps":
      return "a plan for sitemaps";
    case "review":
      return FATES[value.fate] + (value.target ? ` ${value.target}` : "");
    case "link":
      return value.links.length > 0
        ? `should link to ${value.links.map((one) => one.target).join(", ")}`
        : "no new links from it";
  }
}
