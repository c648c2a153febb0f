import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import type { FaultSum } from "./types";
import type { PlacesQuery } from "./useOccurrences";

/** What GatheredPlaces asks for and keeps. */
export function useGatheredPlaces({ crawl, rule, query }: { crawl: number; rule: FaultSum; query: PlacesQuery }) {
  const { change } = useAddress();
  const { group, host, text } = query;
  const gathered = useQuery({
    queryKey: ["faults", crawl, rule.code, "gathered", group, host, text],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/faults/{code}/gathered", {
          params: { path: { crawl, code: rule.code }, query: { group, host, text } },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  return { change, gathered: asked(gathered, "what is the same") };
}
