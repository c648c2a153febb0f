/** Which pages are counted. */
export type Reading = "all" | "wanted" | "strays";
/** One cell of the trellis: pages of a group that stop at a rung, or that pass all rungs (null). */
export type Cell = { group: string; stop: string | null };

export const READINGS: { name: Reading; label: string }[] = [
  { name: "all", label: "All pages" },
  { name: "wanted", label: "Should be indexed" },
  { name: "strays", label: "Should be kept out" },
];
