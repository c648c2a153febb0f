import { useMemo } from "react";
import { useAddress } from "../../../kit/address";
import { useDecide } from "../../../kit/useDecide";
import { type MissingLink, useMissingLinks } from "../../../kit/useMissingLinks";
import { decisionOf, type Verdict } from "./decisionOf";

/** Links that should be, and what is decided about them. */
export function useLinks() {
  const { siteId: site, search, change } = useAddress();
  const { found, look } = useMissingLinks(site);
  const decide = useDecide(site);
  const proposals = found.state === "ready" ? found.data.proposals : undefined;
  const targets = useMemo(() => byTarget(proposals ?? []), [proposals]);
  /** What was settled of a page's other links stays. */
  const settle = (links: MissingLink[], verdict: Verdict) =>
    decide.mutate({ kind: "link", wishes: decisionOf(proposals ?? [], links, verdict) });
  return {
    found,
    look,
    decide,
    targets,
    settle,
    view: search.get("view") ?? "links",
    setView: (view: string) => change({ view }, true),
  };
}

export type LinksWork = ReturnType<typeof useLinks>;

function byTarget(proposals: MissingLink[]) {
  const targets = new Map<string, MissingLink[]>();
  for (const one of proposals) targets.set(one.target, [...(targets.get(one.target) ?? []), one]);
  return [...targets.values()];
}
