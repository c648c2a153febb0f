import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Crawl, data } from "../../../api/client";
import { isEnded } from "../../../kit/queries";

const POLL = 1500;

/** The crawl as it runs; asked for again while it does. */
export function useLive(crawl: Crawl) {
  return useQuery({
    queryKey: ["live", crawl.id, isEnded(crawl.state)],
    queryFn: () => data(api.GET("/crawls/{crawl}/live", { params: { path: { crawl: crawl.id } } })),
    refetchInterval: isEnded(crawl.state) ? false : POLL,
    placeholderData: (before) => before,
  });
}

/** Pausing, resuming and stopping; judging what an interrupted crawl has fetched. */
export function useControls(crawl: Crawl) {
  const queries = useQueryClient();
  const options = { onSettled: () => queries.invalidateQueries({ queryKey: ["crawls", crawl.site_id] }) };
  const params = { path: { crawl: crawl.id } };
  const pause = useMutation({ mutationFn: () => data(api.POST("/crawls/{crawl}/pause", { params })), ...options });
  const resume = useMutation({ mutationFn: () => data(api.POST("/crawls/{crawl}/resume", { params })), ...options });
  const stop = useMutation({ mutationFn: () => data(api.POST("/crawls/{crawl}/stop", { params })), ...options });
  const judge = useMutation({ mutationFn: () => data(api.POST("/crawls/{crawl}/judge", { params })), ...options });
  return { pause, resume, stop, judge, error: pause.error ?? resume.error ?? stop.error ?? judge.error };
}
