import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { andThen, asked } from "../../../kit/screen";
import { useFinished } from "../../../kit/useFinished";

/** The causes of the crawl, within the group and host that the address names. */
export function useFaults() {
  const finished = useFinished("Faults are found once a crawl is finished.");
  const { search, change } = useAddress();
  const crawl = finished.data?.id ?? 0;
  const within = { group: search.get("group") ?? undefined, host: search.get("host") ?? undefined };
  const faults = useQuery({
    queryKey: ["faults", crawl, within],
    queryFn: async () => ({
      crawl,
      ...(await data(api.GET("/crawls/{crawl}/faults", { params: { path: { crawl }, query: within } }))),
    }),
    enabled: finished.state === "ready",
    placeholderData: keepPreviousData,
  });
  return { search, change, within, faults: andThen(finished, () => asked(faults, "the faults")) };
}
