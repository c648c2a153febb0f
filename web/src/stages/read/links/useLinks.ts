import { asked } from "../../../kit/screen";
import { keepPreviousData, useInfiniteQuery, useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { type Condition, readWhere, type Where, writeWhere } from "../../../kit/conditions";
import { useColumns } from "../../../kit/table/useColumns";
import { COLUMNS, SHOWN_AT_FIRST } from "./columns";

/** State and requests of the table of links; conditions, order, columns and counting stand in the address. */
export function useLinks(crawl: number) {
  const { search, change } = useAddress();
  const whereText = search.get("where");
  const where = useMemo(() => readWhere(whereText), [whereText]);
  const query = writeWhere(where);
  const sort = search.get("sort") ?? undefined;
  const by = search.get("by");
  const setSort = (order: string | undefined) => change({ sort: order }, true);
  const { columns, set: setColumns } = useColumns("links", COLUMNS, SHOWN_AT_FIRST);

  const pages = useInfiniteQuery({
    queryKey: ["links", crawl, query, sort],
    queryFn: ({ pageParam }) =>
      data(
        api.GET("/crawls/{crawl}/links", {
          params: { path: { crawl }, query: { where: query, sort, from: pageParam } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last) => last.next ?? undefined,
    enabled: by === null,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const totals = useQuery({
    queryKey: ["links", crawl, "totals", query],
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/links/totals", { params: { path: { crawl }, query: { where: query } } })),
    placeholderData: keepPreviousData,
  });

  return {
    where,
    query,
    setWhere: (next: Where) => change({ where: writeWhere(next) }),
    ask: (next: Where, countBy?: string) => change({ where: writeWhere(next), by: countBy, sort: undefined }),
    narrow: (condition: Condition) => change({ where: writeWhere({ all: [...where.all, condition] }), by: undefined }),
    sort: sort ?? "",
    setSort,
    by,
    countBy: (field: string | undefined) => change({ by: field }, true),
    columns,
    setColumns,
    pages,
    shown: asked({ ...pages, refetch: () => setSort(undefined) }, "the links"),
    rows: pages.data?.pages.flatMap((page) => page.rows) ?? [],
    totals,
    openUrl: search.get("url"),
    open: (id: string) => change({ url: id }),
  };
}

export type LinksState = ReturnType<typeof useLinks>;
