import type { Schemas } from "../../../api/client";
import { bytes } from "../../../kit/format";
import { LINK_PLACES, LINK_TYPES } from "../../../kit/linkWords";
import { OpenUrl } from "../../../kit/OpenUrl";
import { CAUSES } from "../../../kit/rungs";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Stop } from "../../../kit/Stop";
import type { Column } from "../../../kit/table/columns";

export type LinkRow = Schemas["LinkRow"];

/** Every column of the table of links: the page, the link, and where it leads. */
export const COLUMNS: Column<LinkRow>[] = [
  {
    field: "source",
    name: "Page with the link",
    subject: "page with the link",
    kind: "text",
    width: 250,
    show: (row) => <OpenUrl id={row.source_id} url={row.source} />,
  },
  {
    field: "text",
    name: "Anchor text",
    meaning: "What the link reads; of an image its alt text",
    subject: "anchor text",
    kind: "text",
    width: 170,
  },
  {
    field: "target",
    name: "Leads to",
    subject: "leads to",
    kind: "text",
    width: 260,
    show: (row) => <OpenUrl id={row.target_id} url={row.target} />,
  },
  {
    field: "target_status",
    name: "Status",
    meaning: "How the target answers",
    subject: "status of the target",
    kind: "number",
    width: 64,
    show: (row) => row.target_status ?? row.target_error ?? "",
  },
  {
    field: "place",
    name: "Place",
    meaning: "Where on the page",
    subject: "place",
    kind: "set",
    width: 104,
    choices: LINK_PLACES,
  },
  { field: "type", name: "Type", subject: "type", kind: "set", width: 82, choices: LINK_TYPES },
  { field: "followed", name: "Followed", meaning: "Without nofollow", subject: "followed", kind: "flag", width: 88 },
  {
    field: "source_importance",
    name: "Importance of the page",
    subject: "importance of the page",
    kind: "number",
    width: 150,
    show: (row) => row.source_importance?.toFixed(1) ?? "",
  },
  { field: "source_group", name: "Group of the page", subject: "group of the page", kind: "set", width: 120 },
  {
    field: "target_final",
    name: "Ends at",
    meaning: "Where the target's redirects end",
    subject: "ends at",
    kind: "text",
    width: 220,
    show: (row) => (row.target_final === null ? "" : <SiteUrl url={row.target_final} />),
  },
  { field: "target_final_status", name: "Final status", subject: "final status", kind: "number", width: 92 },
  {
    field: "target_stop",
    name: "Target stopped by",
    meaning: "What keeps the target out of the index first",
    subject: "target stopped by",
    kind: "set",
    width: 140,
    choices: CAUSES,
    show: (row) => (row.target_stop === null ? "" : <Stop stop={row.target_stop} />),
  },
  { field: "target_noindex", name: "Target noindex", subject: "target noindex", kind: "flag", width: 110 },
  {
    field: "target_wanted",
    name: "Target should be indexed",
    subject: "target should be indexed",
    kind: "flag",
    width: 160,
  },
  { field: "target_host", name: "Target host", subject: "target host", kind: "set", width: 160 },
  { field: "target_group", name: "Target group", subject: "target group", kind: "set", width: 110 },
  { field: "target_kind", name: "Target kind", subject: "target kind", kind: "set", width: 90 },
  { field: "target_error", name: "Target failure", subject: "failure of the target", kind: "set", width: 104 },
  {
    field: "target_importance",
    name: "Importance of the target",
    subject: "importance of the target",
    kind: "number",
    width: 160,
    show: (row) => row.target_importance?.toFixed(1) ?? "",
  },
  {
    field: "target_links_in",
    name: "Pages linking to the target",
    subject: "pages linking to the target",
    kind: "number",
    width: 170,
  },
  {
    field: "target_bytes",
    name: "Target size",
    subject: "target size in bytes",
    kind: "number",
    width: 90,
    show: (row) => (row.target_bytes === null ? "" : bytes(row.target_bytes)),
  },
  { field: "internal", name: "Within the site", subject: "within the site", kind: "flag", width: 104 },
  { field: "rel", name: "rel", subject: "rel", kind: "text", width: 100 },
  {
    field: "alt",
    name: "Alt text is",
    subject: "alt text is",
    kind: "set",
    width: 90,
    choices: ["missing", "empty", "given"].map((one) => [one, one]),
  },
];

/** The columns that are shown until others are chosen. */
export const SHOWN_AT_FIRST = [
  "source",
  "text",
  "target",
  "target_status",
  "place",
  "type",
  "followed",
  "source_importance",
];
