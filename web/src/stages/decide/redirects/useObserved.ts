import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { useDecide } from "../../../kit/useDecide";

export const KINDS = [
  { name: "all", label: "All" },
  { name: "chains", label: "Chains" },
  { name: "loops", label: "Loops" },
  { name: "temporary", label: "Temporary" },
  { name: "to_home", label: "To the home page" },
  { name: "to_missing", label: "To missing pages" },
] as const;

/** What Observed asks for and keeps. */
export function useObserved({ site, crawl }: { site: number; crawl: Crawl }) {
  const { search, change } = useAddress();
  const kind = KINDS.find((one) => one.name === search.get("kind"))?.name ?? "all";
  const redirects = useQuery({
    queryKey: ["decide", "redirects", crawl.id, crawl.run, kind],
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/redirects", { params: { path: { crawl: crawl.id }, query: { kind } } })),
    placeholderData: (before) => before,
  });
  const decide = useDecide(site);
  return { change, kind, redirects: asked(redirects, "redirects"), decide };
}
