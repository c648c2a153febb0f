import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";

/** What History asks for and keeps. */
export function useHistory({ crawl, url }: { crawl: number; url: string }) {
  const history = useQuery({
    queryKey: ["history", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/history", { params: { path: { crawl, url } } })),
  });
  const crawls = history.data?.crawls ?? [];
  return { history, crawls };
}
