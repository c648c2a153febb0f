import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { andThen, asked } from "../../../kit/screen";
import { useCurrent } from "../../../kit/useCurrent";
import { useFinished } from "../../../kit/useFinished";
import { type Reading, READINGS } from "./types";

/** The trellis of the crawl; of the pages that should be indexed where there are some and nothing else was chosen. */
export function useTrellis() {
  const finished = useFinished("The trellis is drawn once a crawl is finished.");
  const { running } = useCurrent();
  const { search } = useAddress();
  const chosen = READINGS.find((one) => one.name === search.get("reading"))?.name;
  const crawl = finished.data?.id ?? 0;
  const trellis = useQuery({
    queryKey: ["trellis", crawl, chosen ?? "first"],
    queryFn: async () => {
      const first = await read(crawl, chosen ?? "wanted");
      return chosen || first.wanted > 0 ? first : read(crawl, "all");
    },
    enabled: finished.state === "ready",
    placeholderData: (before) => before,
  });
  return { trellis: andThen(finished, () => asked(trellis, "the trellis")), running: !!running, chosen };
}

const read = (crawl: number, reading: Reading) =>
  data(api.GET("/crawls/{crawl}/trellis", { params: { path: { crawl }, query: { reading } } }));
