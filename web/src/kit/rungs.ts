import type { Rung } from "../api/client";
import type { State } from "./signs/Sign";

/**
 * The ladder in order: what passing each rung means, as a sentence and as a step in few words, what stopping at it does to a
 * page, and the cause by which that is told. The names of rungs stand on the trellis' uprights and in files only: "stops at open" would read as its opposite.
 */
export const RUNGS: { name: Rung; state: State; meaning: string; step: string; cause: string }[] = [
  {
    name: "found",
    state: "stops",
    meaning: "a followed link path or a sitemap leads to it",
    step: "linked or listed",
    cause: "not linked",
  },
  {
    name: "allowed",
    state: "stops",
    meaning: "robots.txt lets it be fetched",
    step: "may be fetched",
    cause: "blocked by robots.txt",
  },
  { name: "answers", state: "stops", meaning: "the fetch ends with 2xx or 3xx", step: "answers", cause: "error" },
  {
    name: "direct",
    state: "diverts",
    meaning: "it is itself the answer, no redirect",
    step: "no redirect",
    cause: "redirect",
  },
  { name: "open", state: "stops", meaning: "no noindex", step: "no noindex", cause: "noindex" },
  {
    name: "own",
    state: "diverts",
    meaning: "its canonical is itself or absent",
    step: "own canonical",
    cause: "canonical elsewhere",
  },
  {
    name: "distinct",
    state: "diverts",
    meaning: "not the weaker copy of another page, not too thin",
    step: "unique enough",
    cause: "copy or too thin",
  },
  {
    name: "indexed",
    state: "stops",
    meaning: "the index has it under its own URL",
    step: "in the index",
    cause: "not in the index",
  },
];

const rungOf = (name: string) => RUNGS.find((rung) => rung.name === name);

/** What stopping at a rung does: stops or diverts. */
export const stateOfRung = (name: string): State => rungOf(name)?.state ?? "stops";

/** Why a page stops, in words. */
export const causeOf = (name: string) => rungOf(name)?.cause ?? name;

/** Each rung with its cause, for choosing one. */
export const CAUSES: [string, string][] = RUNGS.map((rung) => [rung.name, rung.cause]);
