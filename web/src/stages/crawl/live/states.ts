import type { Crawl } from "../../../api/client";

/** What a crawl does, as the end of a sentence: "Crawl 3 …". */
export const STATES: Record<Crawl["state"], string> = {
  waiting: "is about to begin",
  crawling: "is running",
  paused: "is paused",
  judging: "is being judged",
  finished: "is finished",
  failed: "ended before its time",
};

export const isFetching = (state: Crawl["state"]) => state === "waiting" || state === "crawling" || state === "paused";
