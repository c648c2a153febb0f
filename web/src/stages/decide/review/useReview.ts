import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, asFile, type Crawl, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";
import { useDecide } from "../../../kit/useDecide";

export type Review = Schemas["Review"];
export type Row = Review["rows"][number];
export type Yardstick = Schemas["Yardstick"];
export type Fate = NonNullable<Schemas["DecisionValues"]["review"]>["fate"];

export const FATES: Record<Fate, string> = {
  keep: "keep",
  improve: "improve",
  merge_into: "merge into",
  redirect_to: "redirect to",
  keep_out: "keep out",
  remove: "remove",
};

/** What the content audit asks for and keeps. */
export function useReview(crawl: Crawl) {
  const { siteId: site, search, change } = useAddress();
  const queries = useQueryClient();
  const group = search.get("group") ?? undefined;
  const from = Number(search.get("from") ?? 0);
  const query = { from, ...(group === undefined ? {} : { group }) };
  const review = useQuery({
    queryKey: ["decide", "review", crawl.id, crawl.run, query],
    queryFn: () => data(api.GET("/crawls/{crawl}/review", { params: { path: { crawl: crawl.id }, query } })),
    placeholderData: keepPreviousData,
  });
  const refresh = () => queries.invalidateQueries({ queryKey: ["decide"] });
  const measure = useMutation({
    mutationFn: (yardsticks: Yardstick[]) =>
      data(api.PUT("/sites/{site}/review/yardsticks", { params: { path: { site } }, body: { yardsticks } })),
    onSuccess: refresh,
  });
  const bring = useMutation({
    mutationFn: (file: File) =>
      data(api.POST("/sites/{site}/review/import", { params: { path: { site } }, ...asFile(file) })),
    onSuccess: refresh,
  });
  const decide = useDecide(site);
  return { group, from, change, review: asked(review, "the pages"), measure, bring, decide };
}
