import { useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { type Condition, readWhere, type Where, writeWhere } from "../../../kit/conditions";
import { SHOWN_AT_FIRST } from "./columnSets";
import { COLUMNS } from "./columns";

/** State and requests of the ledger; conditions, sorting and columns stand in the address. */
export function useLedger(crawl: number) {
  const { search, change } = useAddress();
  const whereText = search.get("where");
  const where = useMemo(() => readWhere(whereText), [whereText]);
  const query = writeWhere(where);
  const sort = search.get("sort") ?? "url";
  const shown = search.get("cols")?.split(",") ?? SHOWN_AT_FIRST;

  const pages = useInfiniteQuery({
    queryKey: ["ledger", crawl, query, sort],
    queryFn: ({ pageParam }) =>
      data(
        api.GET("/crawls/{crawl}/urls", {
          params: { path: { crawl }, query: { where: query, sort, after: pageParam, limit: 200 } },
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
  });
  const totals = useQuery({
    queryKey: ["totals", crawl, query],
    queryFn: () => data(api.GET("/crawls/{crawl}/totals", { params: { path: { crawl }, query: { where: query } } })),
  });

  return {
    where,
    setWhere: (next: Where) => change({ where: writeWhere(next) }),
    narrow: (condition: Condition) => change({ where: writeWhere({ all: [...where.all, condition] }) }),
    sort,
    // The first click sorts upwards, the second downwards, the third goes back to the order by URL.
    sortBy: (field: string) =>
      change({ sort: sort === field ? `-${field}` : sort === `-${field}` ? undefined : field }, true),
    columns: COLUMNS.filter((column) => shown.includes(column.field)),
    setColumns: (fields: string[]) =>
      change({ cols: fields.join(",") === SHOWN_AT_FIRST.join(",") ? undefined : fields.join(",") }, true),
    pages,
    rows: pages.data?.pages.flatMap((page) => page.rows) ?? [],
    totals,
    openUrl: search.get("url"),
    open: (id: string) => change({ url: id }),
  };
}
