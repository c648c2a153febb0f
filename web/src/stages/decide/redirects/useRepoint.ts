import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";

/** What Repoint asks for and keeps. */
export function useRepoint({ crawl }: { crawl: Crawl }) {
  const links = useQuery({
    queryKey: ["decide", "repoint", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/repoint", { params: { path: { crawl: crawl.id } } })),
  });
  return { links: asked(links, "links") };
}
