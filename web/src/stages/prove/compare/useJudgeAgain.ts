import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type Crawl, data } from "../../../api/client";

/** What JudgeAgain asks for and keeps. */
export function useJudgeAgain({ earlier }: { earlier: Crawl }) {
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: () => data(api.POST("/crawls/{crawl}/judge", { params: { path: { crawl: earlier.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["crawls", earlier.site_id] }),
  });
  const judging = again.isPending || earlier.judged_again;
  return { again, judging };
}
