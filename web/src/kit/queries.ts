import { useQuery } from "@tanstack/react-query";
import { api, data, keepToken } from "../api/client";

/** The session; its token is kept for changes. */
export function useSession() {
  return useQuery({
    queryKey: ["session"],
    queryFn: async () => {
      const session = await data(api.GET("/session"));
      keepToken(session.csrf_token);
      return session;
    },
  });
}

export function useSites() {
  return useQuery({ queryKey: ["sites"], queryFn: () => data(api.GET("/sites")), select: (answer) => answer.sites });
}

/** Sites that were deleted and can still be brought back. */
export function useRemovedSites() {
  return useQuery({ queryKey: ["sites"], queryFn: () => data(api.GET("/sites")), select: (answer) => answer.removed });
}

export function useCrawls(site: number) {
  return useQuery({
    queryKey: ["crawls", site],
    queryFn: () => crawlsOf(site),
    select: (answer) => answer.crawls,
    enabled: Number.isFinite(site),
    refetchInterval: (query) =>
      query.state.data?.crawls.some((crawl) => !isEnded(crawl.state) || crawl.judged_again) ? 1000 : false,
  });
}

/** Crawls of a site that were deleted and can still be brought back. */
export function useRemovedCrawls(site: number) {
  return useQuery({ queryKey: ["crawls", site], queryFn: () => crawlsOf(site), select: (answer) => answer.removed });
}

const crawlsOf = (site: number) => data(api.GET("/sites/{site}/crawls", { params: { path: { site } } }));

/** Whether nothing more will happen to a crawl. */
export const isEnded = (state: string) => state === "finished" || state === "failed";
