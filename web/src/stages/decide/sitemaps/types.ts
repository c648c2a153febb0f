import type { Schemas } from "../../../api/client";

/** All that the screen shows. */
export type SitemapsData = Schemas["Sitemaps"];
