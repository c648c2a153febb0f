import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";

/** What DirectiveList asks for and keeps. */
export function useDirectiveList({ crawl }: { crawl: Crawl }) {
  const list = useQuery({
    queryKey: ["decide", "directives", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/directives", { params: { path: { crawl: crawl.id } } })),
  });
  return { list: asked(list, "the directives") };
}
