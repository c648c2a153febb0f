import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";

/** What the screen asks for and keeps. */
export function useLanguages({ crawl }: { crawl: Crawl }) {
  const languages = useQuery({
    queryKey: ["decide", "languages", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/languages", { params: { path: { crawl: crawl.id } } })),
  });
  return { languages: asked(languages, "the languages") };
}
