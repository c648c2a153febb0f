import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../../../api/client";

/** Has a set of sitemaps built. */
export function useBuilder(site: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/sitemaps", { params: { path: { site } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["decide", "sitemaps"] }),
  });
}
