import type { Condition } from "./conditions";

/**
 * The name of a page group as host and folder; a group of the main host, or one with a name of its own, has no host.
 */
export function hostAndFolder(name: string): [string, string] {
  const match = /^([^/\s]+\.[^/\s]+)(\/.*)$/.exec(name);
  return match ? [(match[1] ?? "").replace(/^www\./, ""), match[2] ?? ""] : ["", name];
}

/** The conditions for the pages and documents of a group: what pages embed isn't among them. */
export const pagesOf = (group: string): Condition[] => [
  { field: "group", op: "is", value: group },
  ...["image", "script", "style"].map((kind) => ({ field: "kind", op: "is_not", value: kind })),
];
