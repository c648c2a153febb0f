import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** What was ever decided about a URL. */
export function useUrlDecisions({ crawl, url }: { crawl: number; url: string }) {
  const { siteId } = useAddress();
  const decisions = useQuery({
    queryKey: ["decisions", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/decisions", { params: { path: { crawl, url } } })),
  });
  return { siteId, decisions };
}
