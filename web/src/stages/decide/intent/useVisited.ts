import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, data } from "../../../api/client";
import { writeWhere } from "../../../kit/conditions";
import { useCurrent } from "../../../kit/useCurrent";
import type { useIntent } from "./useIntent";

const MOST = 500;

/** The pages of a group that bring visits; each is drafted to be indexed, once, when its group is to be kept out. */
export function useVisited(group: string, intent: ReturnType<typeof useIntent>) {
  const { crawl } = useCurrent();
  const where = writeWhere({
    all: [
      { field: "group", op: "is", value: group },
      { field: "clicks", op: "at_least", value: 1 },
    ],
  });
  const found = useQuery({
    queryKey: ["visited", crawl?.id, crawl?.run, group],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/urls", {
          params: { path: { crawl: crawl?.id ?? 0 }, query: { where, sort: "-clicks", limit: MOST } },
        }),
      ),
    enabled: crawl !== undefined,
  });
  const pages = found.data?.rows ?? [];
  const { draft } = intent;
  useEffect(() => {
    for (const page of found.data?.rows ?? []) draft("intent", page.url, { intent: "index" });
    // Only when they are there: what is ticked off by hand afterwards stays so.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [found.data]);
  return {
    pages: pages.slice(0, 25),
    stays: (url: string) => intent.drafts.intent[url]?.intent === "index",
    set: (url: string, on: boolean) => draft("intent", url, { intent: on ? "index" : "keep_out" }),
  };
}
