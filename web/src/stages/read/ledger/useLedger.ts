import { asked } from "../../../kit/screen";
import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { type Condition, readWhere, type Where, writeWhere } from "../../../kit/conditions";
import { useColumns } from "../../../kit/table/useColumns";
import { SHOWN_AT_FIRST } from "./columnSets";
import { COLUMNS } from "./columns";

/** State and requests of the ledger; conditions, sorting, columns and counting stand in the address. */
export function useLedger(crawl: number) {
  const { search, change } = useAddress();
  const whereText = search.get("where");
  const where = useMemo(() => readWhere(whereText), [whereText]);
  const query = writeWhere(where);
  const sort = search.get("sort") ?? "url";
  const { columns, set: setColumns } = useColumns("ledger", COLUMNS, SHOWN_AT_FIRST);
  const by = search.get("by");
  const setSort = (order: string) => change({ sort: order === "url" ? undefined : order }, true);

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
    enabled: by === null,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const totals = useQuery({
    queryKey: ["totals", crawl, query],
    queryFn: () => data(api.GET("/crawls/{crawl}/totals", { params: { path: { crawl }, query: { where: query } } })),
    placeholderData: keepPreviousData,
  });

  return {
    where,
    setWhere: (next: Where) => change({ where: writeWhere(next) }),
    narrow: (condition: Condition) => change({ where: writeWhere({ all: [...where.all, condition] }), by: undefined }),
    sort,
    setSort,
    columns,
    setColumns,
    by,
    countBy: (field: string | undefined) => change({ by: field }),
    pages,
    shown: asked({ ...pages, refetch: () => setSort("url") }, "the ledger"),
    rows: pages.data?.pages.flatMap((page) => page.rows) ?? [],
    totals,
    openUrl: search.get("url"),
    open: (id: string) => change({ url: id }),
  };
}

export type LedgerState = ReturnType<typeof useLedger>;
