import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { andThen, asked } from "../../../kit/screen";
import { useFinished } from "../../../kit/useFinished";

/** How the site of the crawl hangs together. */
export function useStructure() {
  const crawl = useFinished("The structure is drawn once a crawl is finished.");
  const id = crawl.data?.id;
  const structure = useQuery({
    queryKey: ["structure", id, crawl.data?.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/structure", { params: { path: { crawl: id ?? 0 } } })),
    enabled: id !== undefined,
  });
  return andThen(crawl, () => asked(structure, "the structure"));
}
