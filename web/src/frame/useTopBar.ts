import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../api/client";
import { screenAddress, useAddress } from "../kit/address";
import { useRemovedSites } from "../kit/queries";
import { useCurrent } from "../kit/useCurrent";

/** What TopBar asks for and keeps. */
export function useTopBar() {
  const { site, sites, crawls, crawl } = useCurrent();
  const { navigate, siteId } = useAddress();
  const removed = useRemovedSites();
  const queries = useQueryClient();
  const back = useMutation({
    mutationFn: (id: number) => data(api.POST("/sites/{site}/back", { params: { path: { site: id } } })),
    onSuccess: async (brought) => {
      await queries.invalidateQueries({ queryKey: ["sites"] });
      navigate(screenAddress(brought.id, "latest", brought.newest_crawl === null ? "crawl/setup" : "read/trellis"));
    },
  });
  return { site, sites, crawls, crawl, navigate, siteId, removed, back };
}
