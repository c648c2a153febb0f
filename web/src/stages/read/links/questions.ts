import type { Condition, Where } from "../../../kit/conditions";

const ANCHOR: Condition = { field: "type", op: "is", value: "anchor" };
const WITHIN: Condition = { field: "internal", op: "is", value: true };

/** What is asked most of a site's links: a name, its conditions, and by what they are counted, if at all. */
export const QUESTIONS: { name: string; where: Where; by?: string }[] = [
  { name: "All links", where: { all: [] } },
  {
    name: "To missing pages",
    where: {
      all: [
        ANCHOR,
        {
          any: [
            { field: "target_status", op: "is", value: 404 },
            { field: "target_status", op: "is", value: 410 },
          ],
        },
      ],
    },
  },
  {
    name: "To errors",
    where: {
      all: [
        ANCHOR,
        {
          any: [
            { field: "target_status", op: "at_least", value: 500 },
            { field: "target_error", op: "filled" },
          ],
        },
      ],
    },
  },
  { name: "To redirects", where: { all: [ANCHOR, WITHIN, { field: "target_stop", op: "is", value: "direct" }] } },
  {
    name: "To noindexed pages",
    where: { all: [ANCHOR, WITHIN, { field: "target_noindex", op: "is", value: true }] },
  },
  { name: "With nofollow", where: { all: [ANCHOR, WITHIN, { field: "followed", op: "is", value: false }] } },
  { name: "Without text", where: { all: [ANCHOR, { field: "text", op: "empty" }] } },
  {
    name: "To other sites",
    where: { all: [ANCHOR, { field: "internal", op: "is", value: false }] },
    by: "target_host",
  },
];

/** By what links can be counted. */
export const COUNTED_BY: [field: string, name: string][] = [
  ["target", "where they lead"],
  ["target_host", "target host"],
  ["source", "page with the link"],
  ["text", "anchor text"],
  ["target_status", "status of the target"],
  ["place", "place"],
  ["type", "type"],
];
