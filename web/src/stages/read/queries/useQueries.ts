import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Crawl, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";
import type { Span } from "../../../kit/spans";
import { useLater } from "../../../kit/useLater";

export type FoundFor = Schemas["FoundFor"];
export type Row = FoundFor["rows"][number];
export type By = "query" | "page";
export type Order = "near" | "impressions" | "clicks" | "competing";

/** The places of near wins where nobody says otherwise; the limits of the site have the last word. */
export const BAND = { first: 8, last: 20, least: 50 };

/** What the list of queries asks for and keeps. */
export function useQueries(crawl: Crawl) {
  const { search, change } = useAddress();
  const [typed, setTyped] = useState(search.get("text") ?? "");
  const text = useLater(typed, 300);
  const by = (search.get("by") ?? "query") as By;
  const wished = (search.get("order") ?? "near") as Order;
  const order = by === "page" && wished === "competing" ? "near" : wished;
  const span = (search.get("span") ?? "short") as Span;
  const number = (name: keyof typeof BAND) => Number(search.get(name) ?? BAND[name]);
  const band = { first: number("first"), last: number("last"), least: number("least") };
  const from = Number(search.get("from") ?? 0);
  const query = { by, order, span, ...band, from, ...(text ? { text } : {}) };
  const found = useQuery({
    queryKey: ["queries", crawl.id, crawl.run, query],
    queryFn: () => data(api.GET("/crawls/{crawl}/queries", { params: { path: { crawl: crawl.id }, query } })),
    placeholderData: keepPreviousData,
  });
  const queries = useQueryClient();
  const { siteId: site } = useAddress();
  /** Work for who writes: the page that is shown most should say what people look for. */
  const write = useMutation({
    mutationFn: (row: Row) => {
      const page = row.pages?.find((one) => one.url);
      return data(
        api.POST("/sites/{site}/fixes", {
          params: { path: { site } },
          body: {
            kind: "content",
            title: `Write for “${row.query}”`,
            reason: `${row.impressions} impressions at place ${row.position ?? "–"}`,
            urls: page?.url ? [page.url] : [],
          },
        }),
      );
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: ["workplan", site] }),
  });
  return { write, change, typed, setTyped, by, order, span, band, from, found: asked(found, "the queries") };
}
