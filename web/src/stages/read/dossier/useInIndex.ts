import { useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";

export type PageInIndex = Schemas["PageInIndex"];

/** What evidence says of one URL. */
export function useInIndex({ crawl, url }: { crawl: number; url: string }) {
  return useQuery({
    queryKey: ["in index", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/index", { params: { path: { crawl, url } } })),
    retry: false,
  });
}
