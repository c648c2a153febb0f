import DECLARED from "../api/columns.json";
import type { Rung } from "../api/client";
import type { State } from "./signs/Sign";

/** Each rung with the cause by which stopping at it is told. */
export const CAUSES = (DECLARED.find((column) => column.field === "stop")?.choices ?? []) as [string, string][];

/** Why a page stops, in words. */
export function causeOf(name: string) {
  return CAUSES.find(([rung]) => rung === name)?.[1] ?? name;
}

/**
 * The ladder in order: what passing each rung means, as a sentence and as a step in few words, what stopping at it does
 * to a page, and the cause by which that is told. The names of rungs stand on the trellis' uprights and in files only:
 * "stops at open" would read as its opposite.
 */
export const RUNGS: { name: Rung; state: State; meaning: string; step: string; cause: string }[] = (
  [
    {
      name: "found",
      state: "stops",
      meaning: "a followed link path or a sitemap leads to it",
      step: "linked or listed",
    },
    {
      name: "allowed",
      state: "stops",
      meaning: "robots.txt lets it be fetched",
      step: "may be fetched",
    },
    { name: "answers", state: "stops", meaning: "the fetch ends with 2xx or 3xx", step: "answers" },
    {
      name: "direct",
      state: "diverts",
      meaning: "it is itself the answer, no redirect",
      step: "no redirect",
    },
    { name: "open", state: "stops", meaning: "no noindex", step: "no noindex" },
    {
      name: "own",
      state: "diverts",
      meaning: "its canonical is itself or absent",
      step: "own canonical",
    },
    {
      name: "distinct",
      state: "diverts",
      meaning: "not the weaker copy of another page, not too thin",
      step: "unique enough",
    },
    {
      name: "indexed",
      state: "stops",
      meaning: "the index has it under its own URL",
      step: "in the index",
    },
  ] as const
).map((rung) => ({ ...rung, cause: causeOf(rung.name) }));

const rungOf = (name: string) => RUNGS.find((rung) => rung.name === name);

/** What stopping at a rung does: stops or diverts. */
export const stateOfRung = (name: string): State => rungOf(name)?.state ?? "stops";
