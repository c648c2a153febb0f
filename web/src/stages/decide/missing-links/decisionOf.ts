import type { Values } from "../../../kit/decisions";
import type { MissingLink } from "../../../kit/useMissingLinks";

export type Verdict = "accepted" | "refused" | "open";

/** By page what is decided of its new links, once these are accepted, refused or opened again. */
export function decisionOf(all: MissingLink[], changed: MissingLink[], verdict: Verdict) {
  const touched = new Set(changed.map((one) => one.source));
  const turned = new Set(changed.map((one) => `${one.source} ${one.target}`));
  const wishes: Record<string, Values["link"]> = {};
  for (const one of all.filter((proposal) => touched.has(proposal.source))) {
    const state = turned.has(`${one.source} ${one.target}`) ? verdict : one.state;
    const wish = (wishes[one.source] ??= { links: [], refused: [] });
    if (state === "accepted") wish.links.push({ target: one.target, text: one.words });
    if (state === "refused") wish.refused.push(one.target);
  }
  return wishes;
}
