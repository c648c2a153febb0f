import { count } from "../../../kit/format";

/** "+12", "−3", "as before". */
export const changed = (change: number | null) =>
  change === null ? "" : change === 0 ? "as before" : `${change > 0 ? "+" : "−"}${count(Math.abs(change))}`;
