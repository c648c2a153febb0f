import type { Schemas } from "../api/client";
import type { Toggle } from "./Toggles";

export type Span = "short" | "middle" | "long";

/** So many days are told as days; what is longer as months. */
const MOST_DAYS = 92;
const MONTH = 30.44;
const DAY = 86_400_000;

const told = (first: string, last: string) => {
  const days = Math.round((Date.parse(last) - Date.parse(first)) / DAY) + 1;
  return days <= MOST_DAYS ? `${days} days` : `${Math.round(days / MONTH)} months`;
};

/** The windows of the search record as choices, named by how long they are. */
export const spanChoices = (windows: Schemas["Windows"]): Toggle<Span>[] =>
  (["short", "middle", "long"] as const).flatMap((name) => {
    const [first, last] = windows?.[name] ?? [];
    return first && last ? [{ name, label: told(first, last), title: `${first} to ${last}` }] : [];
  });
