import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../api/client";
import { useCurrent } from "../kit/useCurrent";

/** What JudgingFailed asks for and keeps. */
export function useJudgingFailed() {
  const { crawl } = useCurrent();
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (id: number) => data(api.POST("/crawls/{crawl}/judge", { params: { path: { crawl: id } } })),
    onSettled: () => void queries.invalidateQueries(),
  });
  return { crawl, again };
}
