import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { useLater } from "../../../kit/useLater";

export type ReadLine = Schemas["AsRead"]["lines"][number];

/** The stored text of a page, once it is asked for. */
export function useAsRead({ crawl, url }: { crawl: number; url: string }) {
  const [open, setOpen] = useState(false);
  const [query, setQuery] = useState("");
  const asked = useLater(query, 400);
  const reading = useQuery({
    queryKey: ["as-read", crawl, url, asked],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/urls/{url}/reading", { params: { path: { crawl, url }, query: { query: asked } } }),
      ),
    enabled: open,
    placeholderData: keepPreviousData,
  });
  return { open, setOpen, query, setQuery, reading };
}
