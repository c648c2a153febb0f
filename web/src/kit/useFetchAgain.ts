import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { screenAddress, useAddress } from "./address";

/** Fetches some URLs again, as a partial crawl, and goes to watch it. */
export function useFetchAgain() {
  const { siteId, navigate } = useAddress();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["CrawlInput"]) =>
      data(api.POST("/sites/{site}/crawls", { params: { path: { site: siteId } }, body })),
    onSuccess: async (started) => {
      await queries.invalidateQueries({ queryKey: ["crawls", siteId] });
      navigate(screenAddress(started.site_id, "latest", "crawl/live"));
    },
  });
}
