import { useMutation, useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";

export type PageInIndex = Schemas["PageInIndex"];
export type StoredBeside = Schemas["StoredAndNow"];

/** What evidence says of one URL. */
export function useInIndex({ crawl, url }: { crawl: number; url: string }) {
  return useQuery({
    queryKey: ["in index", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/index", { params: { path: { crawl, url } } })),
    retry: false,
  });
}

/** Asks the index what it stored, and the site what is there now. */
export function useStoredAndNow({ crawl, url }: { crawl: number; url: string }) {
  return useMutation({
    mutationFn: () =>
      worked("index_look", api.POST("/crawls/{crawl}/urls/{url}/index/look", { params: { path: { crawl, url } } })),
  });
}
