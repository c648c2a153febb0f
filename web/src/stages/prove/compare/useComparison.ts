import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, type Crawl, data } from "../../../api/client";

/** What Comparison asks for and keeps. */
export function useComparison({ newer, earlier }: { newer: Crawl; earlier: Crawl }) {
  const params = { path: { crawl: newer.id }, query: { with: earlier.id } };
  const compared = useQuery({
    queryKey: ["compare", newer.id, newer.run, earlier.id, earlier.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/compare", { params })),
    retry: false,
  });
  return { compared: asked(compared, "both crawls") };
}
