import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import type { SitemapsData } from "./types";

/** What Builder asks for and keeps. */
export function useBuilder({ site, sitemaps }: { site: number; sitemaps: SitemapsData }) {
  const queries = useQueryClient();
  const build = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/sitemaps", { params: { path: { site } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["decide", "sitemaps"] }),
  });
  const newest = sitemaps.builds[0];
  const { difference, outline } = sitemaps;
  const listed = difference.stays.total + difference.joins.total;
  return { build, newest, difference, outline, listed };
}
