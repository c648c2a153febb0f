/** The columns that are shown until others are chosen. */
export const SHOWN_AT_FIRST = [
  "url",
  "status",
  "stop",
  "title",
  "title_chars",
  "depth",
  "words",
  "links_in",
  "importance",
  "faults",
  "description",
  "description_chars",
  "h1_count",
  "group",
];

/** Columns that are looked at together. */
export const COLUMN_SETS: { name: string; fields: string[] }[] = [
  { name: "As at first", fields: SHOWN_AT_FIRST },
  {
    name: "Into the index",
    fields: [
      "url",
      "status",
      "wanted",
      "stop",
      "stop_reason",
      "robots_allowed",
      "noindex",
      "canonical_state",
      "canonical",
      "in_sitemaps",
    ],
  },
  {
    name: "What it says",
    fields: ["url", "title", "title_chars", "description", "description_chars", "h1", "h1_count", "words", "lang"],
  },
  {
    name: "Unique text and copies",
    fields: ["url", "words", "unique_share", "copy_of", "similarity", "copies", "group"],
  },
  {
    name: "How it is linked",
    fields: [
      "url",
      "depth",
      "importance",
      "authority",
      "links_in",
      "links_out_internal",
      "links_out_external",
      "found_by",
    ],
  },
  {
    name: "How it answers",
    fields: ["url", "status", "first_byte_ms", "response_ms", "bytes", "content_type", "fetched_at"],
  },
  {
    name: "What it weighs",
    fields: [
      "url",
      "page_bytes",
      "bytes",
      "scripts",
      "script_bytes",
      "styles",
      "style_bytes",
      "images",
      "image_bytes",
      "images_without_alt",
    ],
  },
];
