import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Crawl, data } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { asked } from "../../../kit/screen";

/** The sitemaps that indexes were sent, and those that the site publishes besides. */
export function useSentSitemaps(site: number, crawl: Crawl) {
  const queries = useQueryClient();
  const evidence = useQuery({
    queryKey: ["evidence", site],
    queryFn: () => data(api.GET("/sites/{site}/evidence", { params: { path: { site } } })),
  });
  const published = useQuery({
    queryKey: ["decide", "sitemaps", crawl.id, crawl.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/sitemaps", { params: { path: { crawl: crawl.id } } })),
  });
  const send = useMutation({
    mutationFn: ({ index, ...body }: { index: number; url: string; withdraw: boolean }) =>
      worked(
        "sitemap_sent",
        api.POST("/sites/{site}/indexes/{index}/sitemaps", { params: { path: { site, index } }, body }),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: ["evidence", site] }),
  });
  const sent = asked(evidence, "the sitemaps");
  const indexes = sent.data?.indexes ?? [];
  const rows = indexes.flatMap((index) => index.sitemaps.map((one) => ({ ...one, index })));
  const known = new Set(rows.map((row) => row.url));
  const met = (published.data?.files ?? []).filter((one) => one.status === 200);
  const others = met.filter((one) => !known.has(one.url));
  return { sent, rows, met: met.length > 0, others, askable: indexes.filter((index) => index.address), send };
}
