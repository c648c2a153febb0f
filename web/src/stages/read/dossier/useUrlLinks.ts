import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { writeWhere } from "../../../kit/conditions";

export const FIRST = 12;

/** The first links to a URL or from it, how many there are, and the conditions that find them all. */
export function useUrlLinks({ crawl, url, direction }: { crawl: number; url: string; direction: "in" | "out" }) {
  const { to } = useAddress();
  // Links of a page to itself lead nowhere.
  const [here, there] = direction === "in" ? ["target", "source"] : ["source", "target"];
  const conditions = [
    { field: here ?? "", op: "is", value: url },
    { field: there ?? "", op: "is_not", value: url },
  ];
  const where = writeWhere({ all: conditions });
  const first = useQuery({
    queryKey: ["links", crawl, "first", where],
    queryFn: () => data(api.GET("/crawls/{crawl}/links", { params: { path: { crawl }, query: { where } } })),
  });
  const totals = useQuery({
    queryKey: ["links", crawl, "totals", where],
    queryFn: () => data(api.GET("/crawls/{crawl}/links/totals", { params: { path: { crawl }, query: { where } } })),
  });
  const rows = first.data?.rows.slice(0, FIRST) ?? [];
  const total = totals.data?.links;
  return { to, conditions, first, rows, total };
}
