import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";

/** What the screen asks for and keeps. */
export function useSitemaps({ crawl }: { crawl: Crawl }) {
  const sitemaps = useQuery({
    queryKey: ["decide", "sitemaps", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/sitemaps", { params: { path: { crawl: crawl.id } } })),
    refetchInterval: (query) => (query.state.data?.builds.some((one) => one.state === "waiting") ? 1000 : false),
  });
  return { sitemaps: asked(sitemaps, "the sitemaps") };
}
