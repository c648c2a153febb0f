import columns from "../api/columns.json";

/** What an index can say of a URL, as people read it: by state, in the core's words. */
export const STANDINGS: Record<string, string> = Object.fromEntries(
  (columns.find((column) => column.field === "standing")?.choices ?? []).map(([state, name]) => [
    String(state),
    String(name),
  ]),
);
