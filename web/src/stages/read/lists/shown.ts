/** The columns of ours that a screen shows of a joined list; a file has all of them. */
const OURS = [
  "matched_by",
  "status",
  "stop",
  "standing",
  "clicks",
  "impressions",
  "importance",
  "links_in",
  "live_status",
  "live_final_url",
];

/** Places of the columns that are shown: the list’s own, then some of ours. */
export function shownPlaces(columns: string[]): number[] {
  const own = columns.indexOf("matched_by");
  return columns.flatMap((name, place) => (place < own || OURS.includes(name) ? [place] : []));
}
