import { useQuery } from "@tanstack/react-query";
import { api, data, type LedgerRow, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** A limit of one's own: cells of a column from this value on, or below it. */
export type Mark = { field: string; op: "at_least" | "below"; value: number };

type Limits = Record<string, number>;

/** What of a page's cells is beyond the site's limits, and why. */
const OF_PAGES: Partial<Record<keyof LedgerRow, (row: LedgerRow, limit: Limits) => string | undefined>> = {
  title_chars: (row, limit) => outside(row.title_chars, limit.title_short, limit.title_long, "characters"),
  description_chars: (row, limit) =>
    outside(row.description_chars, limit.description_short, limit.description_long, "characters"),
  h1_count: (row) => (row.h1_count == null || row.h1_count === 1 ? undefined : "not one H1"),
  words: (row, limit) => outside(row.words, limit.thin_words, undefined, "words"),
  unique_share: (row, limit) => (less(row.unique_share, limit.little_unique_share) ? "little unique text" : undefined),
  links_in: (row, limit) =>
    (row.importance ?? 0) >= (limit.important ?? 101) && less(row.links_in, limit.few_links)
      ? "few links for a page of this importance"
      : undefined,
  depth: (row, limit) => outside(row.depth, undefined, limit.deep, "clicks"),
  bytes: (row, limit) => outside(row.bytes, undefined, limit.heavy_bytes, "bytes"),
  response_ms: (row, limit) => outside(row.response_ms, undefined, limit.slow_ms, "ms"),
  images_without_alt: (row) => ((row.images_without_alt ?? 0) > 0 ? "images without alt text" : undefined),
};

const less = (value: number | null | undefined, limit: number | undefined) =>
  value != null && limit !== undefined && value < limit;

function outside(value: number | null | undefined, least: number | undefined, most: number | undefined, of: string) {
  if (value == null) return undefined;
  if (least !== undefined && value < least) return `under ${least} ${of}, the least of the site’s limits`;
  return most !== undefined && value > most ? `over ${most} ${of}, the most of the site’s limits` : undefined;
}

/** Which cells are marked: those beyond the site's limits, and those beyond limits of one's own. */
export function useMarks() {
  const { siteId, search, change } = useAddress();
  const reading = useQuery({
    queryKey: ["reading", siteId],
    queryFn: () => data(api.GET("/sites/{site}/reading", { params: { path: { site: siteId } } })),
  });
  const own = readMarks(search.get("marks"));
  const shown = search.get("unmarked") === null;

  const marked = (row: LedgerRow, field: string) => {
    const mark = own.find((one) => one.field === field && beyond(row[field as keyof LedgerRow], one));
    if (mark) return mark.op === "below" ? `below ${mark.value}` : `${mark.value} or more`;
    if (!shown || !reading.data) return undefined;
    if (field === "status") return (row.status ?? 0) >= 400 || row.error != null ? "an error" : undefined;
    return row.kind === "html" && row.status === 200
      ? OF_PAGES[field as keyof LedgerRow]?.(row, limitsOf(reading.data, row.group))
      : undefined;
  };
  return {
    marked,
    own,
    shown,
    show: (on: boolean) => change({ unmarked: on ? undefined : "1" }, true),
    setOwn: (marks: Mark[]) => change({ marks: marks.length === 0 ? undefined : JSON.stringify(marks) }, true),
  };
}

const beyond = (value: unknown, mark: Mark) =>
  typeof value === "number" && (mark.op === "below" ? value < mark.value : value >= mark.value);

function readMarks(text: string | null): Mark[] {
  try {
    const marks: unknown = JSON.parse(text ?? "[]");
    return Array.isArray(marks) ? marks.filter(isMark) : [];
  } catch {
    return [];
  }
}

const isMark = (one: Partial<Mark> | null): one is Mark =>
  typeof one?.field === "string" && typeof one.value === "number" && (one.op === "below" || one.op === "at_least");

const limits = new WeakMap<object, Map<string, Limits>>();

/** The limits that hold for a group: its own, else the site's, else the usual ones. */
function limitsOf(reading: Schemas["ReadingSettings"], group: string): Limits {
  const known = limits.get(reading) ?? new Map<string, Limits>();
  limits.set(reading, known);
  const found = known.get(group) ?? {
    ...Object.fromEntries(reading.fields.map((field) => [field.name, field.default])),
    ...reading.thresholds,
    ...reading.groups.find((one) => one.name === group)?.thresholds,
  };
  known.set(group, found);
  return found;
}
