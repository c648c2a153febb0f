import type { Dossier } from "../../../api/client";
import { type Decision, valueOf } from "../../../kit/decisions";

/** What is decided about whether a page should be indexed, where pages aren't judged by it yet; else nothing. */
export function decidedSince(
  decisions: Decision[],
  { url, intent, intent_of }: Pick<Dossier["url"], "url" | "intent" | "intent_of">,
) {
  const told = new Set<string>();
  const inForce = decisions.filter((one) => {
    const subject = `${one.kind} ${one.subject}`;
    if (one.undone_at !== null || told.has(subject)) return false;
    told.add(subject);
    return one.value !== null && (one.kind === "intent" || one.kind === "group");
  });
  const own = inForce.find((one) => one.kind === "intent" && one.subject === url);
  const pattern = inForce.find((one) => one.kind === "intent");
  const newest = own ?? pattern ?? inForce[0];
  const now = newest && (valueOf(newest, "intent") ?? valueOf(newest, "group"))?.intent;
  if (!newest || !now) return intent_of ? { intent: "undecided", of: "url" } : null;
  return now === intent
    ? null
    : { intent: now, of: newest === own ? "url" : newest.kind === "group" ? "group" : "pattern" };
}
