import { useQuery } from "@tanstack/react-query";
import { api, type Crawl, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type VisitsOf = Schemas["Visits"];

/** What a fetch was spent on, as people read it, what is of use first. */
export const SPENT: Record<string, string> = {
  wanted: "pages that should be indexed",
  other: "other URLs that answer",
  kept_out: "pages that should be kept out",
  redirect: "redirects",
  missing: "missing pages",
  failing: "server errors",
};

/** What the screen of visits asks for and keeps. */
export function useVisits(crawl: Crawl) {
  const { search, change } = useAddress();
  const agent = search.get("agent") ?? undefined;
  const visits = useQuery({
    queryKey: ["visits", crawl.id, crawl.run, agent],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/visits", {
          params: { path: { crawl: crawl.id }, query: agent === undefined ? {} : { agent } },
        }),
      ),
  });
  return {
    agent,
    choose: (name: string | undefined) => change({ agent: name }, true),
    visits: asked(visits, "the visits"),
  };
}
