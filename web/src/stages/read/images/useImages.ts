import { asked } from "../../../kit/screen";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { useLater } from "../../../kit/useLater";

export type Alt = "any" | "missing" | "empty" | "given";

/** What the list of images asks for and keeps. */
export function useImages({ crawl }: { crawl: number }) {
  const { search, change } = useAddress();
  const alt = (search.get("alt") ?? "any") as Alt;
  const sort = search.get("sort") ?? "-bytes";
  const [typed, setTyped] = useState(search.get("text") ?? "");
  const text = useLater(typed, 300);
  const query = { text: text || undefined, alt: alt === "any" ? undefined : alt, sort };
  const pages = useInfiniteQuery({
    queryKey: ["images", crawl, query],
    queryFn: ({ pageParam }) =>
      data(api.GET("/crawls/{crawl}/images", { params: { path: { crawl }, query: { ...query, from: pageParam } } })),
    initialPageParam: 0,
    getNextPageParam: (last) => last.next ?? undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const first = pages.data?.pages[0];
  const all = pages.data?.pages.flatMap((page) => page.rows);
  return {
    change,
    alt,
    sort,
    typed,
    setTyped,
    query,
    pages,
    first,
    rows: asked({ ...pages, data: all }, "the images"),
  };
}
