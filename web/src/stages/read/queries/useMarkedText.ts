import { useQuery } from "@tanstack/react-query";
import { api, type Crawl, data } from "../../../api/client";
import { asked } from "../../../kit/screen";

/** A query, and the page in which its words are to be marked. */
export type Marking = { query: string; url: string };

/** What the page says, in stretches. */
export function useMarkedText(crawl: Crawl, { query, url }: Marking) {
  const page = useQuery({
    queryKey: ["words", crawl.id, url, query],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/urls/{url}/words", { params: { path: { crawl: crawl.id, url }, query: { query } } }),
      ),
    retry: false,
  });
  return asked(page, "the text");
}
