import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useRules } from "../../../kit/useRules";

/** What SitemapNow asks for and keeps. */
export function useSitemapNow({ crawl, url }: { crawl: number; url: string }) {
  const { title } = useRules();
  const read = useQuery({
    queryKey: ["sitemap now", crawl, url],
    queryFn: () =>
      worked(
        "sitemap_again",
        api.POST("/crawls/{crawl}/sitemaps/again", { params: { path: { crawl } }, body: { url } }),
      ),
    gcTime: 0,
    retry: false,
  });
  // What was read before isn’t what is there now.
  return { title, read: asked({ ...read, data: read.isFetching ? undefined : read.data }, "the file") };
}
