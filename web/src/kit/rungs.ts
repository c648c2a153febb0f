import type { Rung } from "../api/client";
import type { State } from "./signs/Sign";

/** The ladder in order, with what stopping at each rung does to a page. */
export const RUNGS: { name: Rung; state: State; meaning: string }[] = [
  { name: "found", state: "stops", meaning: "a followed link path or a sitemap leads to it" },
  { name: "allowed", state: "stops", meaning: "robots.txt lets it be fetched" },
  { name: "answers", state: "stops", meaning: "the fetch ends with 2xx or 3xx" },
  { name: "direct", state: "diverts", meaning: "it is itself the answer, no redirect" },
  { name: "open", state: "stops", meaning: "no noindex" },
  { name: "own", state: "diverts", meaning: "its canonical is itself or absent" },
  { name: "distinct", state: "diverts", meaning: "not the weaker copy of another page" },
  { name: "indexed", state: "stops", meaning: "the index has it under its own URL" },
];

/** What stopping at a rung does: stops or diverts. */
export const stateOfRung = (name: string): State => RUNGS.find((rung) => rung.name === name)?.state ?? "stops";
