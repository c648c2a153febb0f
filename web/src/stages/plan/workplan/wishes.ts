import { dayAfter, daysBetween } from "./days";
import type { Lanes, Wish } from "./useLanes";

export type Case = { what: "away" | "freeze" | "hours"; owner: string; from: string; to: string; hours: string };

const MOST_DAYS = 366;

/** What has to be asked for to see a case; nothing while it isn't whole. */
export function wishOf(one: Case, plan: Pick<Lanes, "owners" | "freezes">): Omit<Wish, "start"> {
  const days = one.from && one.to ? daysBetween(one.from, one.to) : -1;
  const other = (change: object) =>
    plan.owners.map((owner) => (owner.name === one.owner ? { ...owner, ...change } : owner));
  if (one.what === "hours") return Number(one.hours) > 0 ? { owners: other({ hours_per_day: Number(one.hours) }) } : {};
  if (days < 0 || days > MOST_DAYS) return {};
  if (one.what === "freeze") return { freezes: [...plan.freezes, { from: one.from, to: one.to }] };
  const off = Array.from({ length: days + 1 }, (_, day) => dayAfter(one.from, day));
  const known = plan.owners.find((owner) => owner.name === one.owner)?.off ?? [];
  return { owners: other({ off: [...known, ...off] }) };
}
