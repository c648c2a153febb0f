import { useQuery } from "@tanstack/react-query";
import { api, data, type Dossier } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** What Decisions asks for and keeps. */
export function useDecisions({ crawl, url, dossier }: { crawl: number; url: string; dossier: Dossier }) {
  const { siteId } = useAddress();
  const decisions = useQuery({
    queryKey: ["decisions", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/decisions", { params: { path: { crawl, url } } })),
  });
  const { intent, intent_of } = dossier.url;
  return { siteId, decisions, intent, intent_of };
}
