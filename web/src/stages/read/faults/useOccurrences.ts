import { asked } from "../../../kit/screen";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import type { FaultSum } from "./types";

export type PlacesQuery = {
  group: string | undefined;
  host: string | undefined;
  same: string | undefined;
  text: string | undefined;
};

/** What Occurrences asks for and keeps. */
export function useOccurrences({ crawl, rule, query }: { crawl: number; rule: FaultSum; query: PlacesQuery }) {
  const places = useInfiniteQuery({
    queryKey: ["faults", crawl, rule.code, query],
    queryFn: ({ pageParam }) =>
      data(
        api.GET("/crawls/{crawl}/faults/{code}", {
          params: { path: { crawl, code: rule.code }, query: { ...query, from: pageParam } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last, all) => {
      const known = all.reduce((sum, page) => sum + page.rows.length, 0);
      return last.rows.length > 0 && known < last.total ? known : undefined;
    },
    placeholderData: keepPreviousData,
  });
  return { places: asked(places, "its places"), more: places };
}
