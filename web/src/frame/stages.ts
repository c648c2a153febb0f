/** The five stages and the screens that stand so far; a stage without screens is shown as coming. */
export const STAGES: { name: string; letter: string; screens: { path: string; name: string }[] }[] = [
  {
    name: "Crawl",
    letter: "c",
    screens: [
      { path: "crawl/setup", name: "Setup" },
      { path: "crawl/live", name: "Live" },
    ],
  },
  {
    name: "Read",
    letter: "r",
    screens: [
      { path: "read/trellis", name: "Trellis" },
      { path: "read/ledger", name: "Ledger" },
      { path: "read/faults", name: "Faults" },
      { path: "read/links", name: "Links" },
      { path: "read/images", name: "Images" },
      { path: "read/structure", name: "Structure" },
      { path: "read/groups", name: "Groups" },
    ],
  },
  {
    name: "Decide",
    letter: "d",
    screens: [
      { path: "decide/intent", name: "Intent" },
      { path: "decide/routes", name: "Routes" },
      { path: "decide/languages", name: "Languages" },
      { path: "decide/sitemaps", name: "Sitemaps" },
    ],
  },
  { name: "Plan", letter: "p", screens: [] },
  { name: "Prove", letter: "v", screens: [{ path: "prove/compare", name: "Compare" }] },
];
