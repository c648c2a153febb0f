import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { LedgerRow } from "../../../api/client";
import { bytes, count, moment, share, shortCount } from "../../../kit/format";
import { stateOfRung } from "../../../kit/rungs";
import { Sign } from "../../../kit/signs/Sign";
import { UrlText } from "../../../kit/UrlText";

export type FieldKind = "text" | "number" | "set" | "flag" | "list" | "date";
export type Column = {
  field: keyof LedgerRow & string;
  /** As a heading. */
  name: string;
  /** As the subject of a condition: "words below 200". */
  subject: string;
  kind: FieldKind;
  width: number;
  sortable?: boolean;
  choices?: string[];
  show?: (row: LedgerRow, mainHost: string) => ReactNode;
};

const RUNG_NAMES = ["found", "allowed", "answers", "direct", "open", "own", "distinct", "indexed"];

/** Every column that the ledger can show and be narrowed by. */
export const COLUMNS: Column[] = [
  {
    field: "url",
    name: "URL",
    subject: "URL",
    kind: "text",
    width: 300,
    sortable: true,
    show: (row, mainHost) => <UrlText url={row.url} withHost={!row.url.startsWith(mainHost)} />,
  },
  {
    field: "status",
    name: "Status",
    subject: "status",
    kind: "number",
    width: 64,
    sortable: true,
    show: (row) => row.status ?? row.error ?? "",
  },
  {
    field: "stop",
    name: "Stops at",
    subject: "stop",
    kind: "set",
    width: 110,
    choices: RUNG_NAMES,
    show: (row) => <Stop row={row} />,
  },
  { field: "stop_reason", name: "Why", subject: "reason", kind: "text", width: 240 },
  { field: "depth", name: "Depth", subject: "depth", kind: "number", width: 64, sortable: true },
  { field: "title", name: "Title", subject: "title", kind: "text", width: 196 },
  {
    field: "importance",
    name: "Importance",
    subject: "importance",
    kind: "number",
    width: 88,
    sortable: true,
    show: (row) => row.importance?.toFixed(1) ?? "",
  },
  {
    field: "authority",
    name: "Authority",
    subject: "authority",
    kind: "number",
    width: 84,
    sortable: true,
    show: (row) => (row.authority == null ? "" : share(row.authority)),
  },
  { field: "title_chars", name: "Title chars", subject: "title characters", kind: "number", width: 84, sortable: true },
  { field: "words", name: "Words", subject: "words", kind: "number", width: 68, sortable: true },
  {
    field: "own_share",
    name: "Own words",
    subject: "share of own words",
    kind: "number",
    width: 84,
    sortable: true,
    show: (row) => (row.own_share == null ? "" : share(row.own_share)),
  },
  {
    field: "copy_of",
    name: "Copy of",
    subject: "copy of",
    kind: "text",
    width: 240,
    show: (row, mainHost) =>
      row.copy_of == null ? "" : <UrlText url={row.copy_of} withHost={!row.copy_of.startsWith(mainHost)} />,
  },
  {
    field: "likeness",
    name: "Likeness",
    subject: "likeness",
    kind: "number",
    width: 76,
    show: (row) => row.likeness?.toFixed(2) ?? "",
  },
  { field: "copies", name: "Copies", subject: "other copies", kind: "number", width: 66 },
  { field: "links_in", name: "Links in", subject: "links in", kind: "number", width: 76, sortable: true },
  { field: "links_out_internal", name: "Links out", subject: "internal links out", kind: "number", width: 84 },
  { field: "links_out_external", name: "External", subject: "external links out", kind: "number", width: 76 },
  { field: "group", name: "Group", subject: "group", kind: "set", width: 110 },
  {
    field: "intent",
    name: "Intent",
    subject: "intent",
    kind: "set",
    width: 84,
    choices: ["index", "keep_out", "undecided"],
  },
  {
    field: "intent_of",
    name: "Intent by",
    subject: "intent by",
    kind: "set",
    width: 84,
    choices: ["url", "pattern", "group"],
  },
  { field: "chosen_canonical", name: "Chosen canonical", subject: "chosen canonical", kind: "text", width: 220 },
  { field: "wanted", name: "Wanted", subject: "wanted", kind: "flag", width: 70 },
  { field: "indexable", name: "Indexable", subject: "indexable", kind: "flag", width: 80 },
  { field: "noindex", name: "Noindex", subject: "noindex", kind: "flag", width: 74 },
  { field: "robots_allowed", name: "Allowed", subject: "allowed by robots.txt", kind: "flag", width: 74 },
  {
    field: "canonical_state",
    name: "Canonical",
    subject: "canonical",
    kind: "set",
    width: 84,
    choices: ["none", "self", "other", "clash", "malformed"],
  },
  { field: "canonical", name: "Canonical URL", subject: "canonical URL", kind: "text", width: 280 },
  { field: "redirect_to", name: "Redirects to", subject: "redirect target", kind: "text", width: 280 },
  { field: "final_status", name: "Final status", subject: "final status", kind: "number", width: 88 },
  {
    field: "found_by",
    name: "Found by",
    subject: "found by",
    kind: "list",
    width: 120,
    choices: ["start", "link", "redirect", "canonical", "hreflang", "sitemap"],
  },
  {
    field: "in_sitemaps",
    name: "Sitemaps",
    subject: "sitemaps",
    kind: "list",
    width: 76,
    show: (row) => (row.in_sitemaps.length === 0 ? "" : count(row.in_sitemaps.length)),
  },
  { field: "faults", name: "Faults", subject: "faults", kind: "list", width: 180 },
  {
    field: "fault_count",
    name: "Number of faults",
    subject: "number of faults",
    kind: "number",
    width: 110,
    sortable: true,
  },
  {
    field: "kind",
    name: "Kind",
    subject: "kind",
    kind: "set",
    width: 64,
    choices: ["html", "pdf", "image", "script", "style", "other"],
  },
  { field: "content_type", name: "Content type", subject: "content type", kind: "text", width: 130 },
  {
    field: "bytes",
    name: "Size",
    subject: "size in bytes",
    kind: "number",
    width: 70,
    sortable: true,
    show: (row) => (row.bytes == null ? "" : bytes(row.bytes)),
  },
  {
    field: "first_byte_ms",
    name: "First byte, ms",
    subject: "milliseconds to the first byte",
    kind: "number",
    width: 96,
    sortable: true,
  },
  { field: "soft_missing", name: "Reads as missing", subject: "reads as missing", kind: "flag", width: 110 },
  {
    field: "unfetched",
    name: "Left out for",
    subject: "left out for",
    kind: "set",
    width: 96,
    choices: ["nofollow", "deep", "kind", "space", "redirects"],
  },
  { field: "response_ms", name: "Time, ms", subject: "milliseconds", kind: "number", width: 76, sortable: true },
  {
    field: "fetched_at",
    name: "Fetched",
    subject: "fetched",
    kind: "date",
    width: 150,
    show: (row) => (row.fetched_at == null ? "" : moment(row.fetched_at)),
  },
  { field: "lang", name: "Language", subject: "language", kind: "text", width: 76 },
  { field: "description", name: "Description", subject: "description", kind: "text", width: 260 },
  { field: "description_chars", name: "Desc. chars", subject: "description characters", kind: "number", width: 88 },
  { field: "h1", name: "H1", subject: "H1", kind: "list", width: 200 },
  { field: "images", name: "Images", subject: "images", kind: "number", width: 70 },
  { field: "images_without_alt", name: "Without alt", subject: "images without alt", kind: "number", width: 86 },
];

const byField = new Map(COLUMNS.map((column) => [column.field as string, column]));
/** The column of a field, if there is one. */
export const columnOf = (field: string) => byField.get(field);

/** What a cell shows; URLs of the main host go without it. */
export function cellContent(column: Column, row: LedgerRow, mainHost: string): ReactNode {
  if (column.show) return column.show(row, mainHost);
  const value = row[column.field];
  if (value === null || value === undefined) return "";
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") return shortCount(value);
  // Texts may run from right to left; what stands around them doesn't.
  return <bdi>{Array.isArray(value) ? value.join(", ") : value}</bdi>;
}

function Stop({ row }: { row: LedgerRow }) {
  const known = row.indexable || row.status != null || row.stop;
  return (
    <Box
      component="span"
      title={row.stop_reason ?? undefined}
      sx={{ display: "flex", gap: 0.75, alignItems: "center" }}
    >
      {row.stop ? (
        <Sign state={stateOfRung(row.stop)} size={14} />
      ) : (
        <Sign
          state={known ? "passes" : "unknown"}
          size={14}
          label={known ? "passes all that was judged" : "not known"}
        />
      )}
      {row.stop ?? ""}
    </Box>
  );
}
