/** The columns that belong to what a rule finds, by the beginning of its code. */
const OF_FAULTS: [RegExp, string[]][] = [
  [/^title/, ["url", "title", "title_chars", "h1", "importance", "group"]],
  [/^description/, ["url", "description", "description_chars", "title", "importance", "group"]],
  [/^h1/, ["url", "h1", "h1_count", "title", "importance", "group"]],
  [/^(image|mixed)/, ["url", "images", "images_without_alt", "image_bytes", "page_bytes", "importance", "group"]],
  [/^(heavy|slow)/, ["url", "bytes", "page_bytes", "first_byte_ms", "response_ms", "importance", "group"]],
  [/^(thin|little|soft)/, ["url", "words", "unique_share", "title", "importance", "group"]],
  [/^(copy|.*-variants)/, ["url", "copy_of", "similarity", "canonical", "importance", "group"]],
  [/^canonical/, ["url", "canonical_state", "canonical", "chosen_canonical", "importance", "group"]],
  [/^redirect/, ["url", "status", "redirect_to", "final_status", "links_in", "importance"]],
  [/^hreflang|^lang/, ["url", "lang", "canonical", "title", "importance", "group"]],
  [
    /^(link|outbound|dead-end|too-many|nofollow)/,
    ["url", "links_out_internal", "links_out_external", "importance", "group"],
  ],
  [
    /^(orphan|few|too-deep|gone|not-found|unreachable|server)/,
    ["url", "status", "depth", "links_in", "found_by", "in_sitemaps", "importance"],
  ],
  [
    /^(noindex|directive|stray|blocked)/,
    ["url", "wanted", "intent", "noindex", "robots_allowed", "stop_reason", "importance", "group"],
  ],
  [/^sitemap/, ["url", "status", "stop", "in_sitemaps", "wanted", "intent", "importance"]],
];

/** The columns in which the ledger is opened from a fault. */
export const columnsOfFault = (code: string) => OF_FAULTS.find(([beginning]) => beginning.test(code))?.[1];
