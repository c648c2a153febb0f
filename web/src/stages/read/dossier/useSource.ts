import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../../../api/client";

/** What Source asks for and keeps. */
export function useSource({ crawl, url }: { crawl: number; url: string }) {
  const [open, setOpen] = useState(false);
  const [all, setAll] = useState(false);
  const source = useQuery({
    queryKey: ["source", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}/source", { params: { path: { crawl, url } } })),
    enabled: open,
  });
  const lines = (source.data?.lines ?? []).map((line, at) => ({ ...line, number: at + 1 }));
  const deciding = lines.filter((line) => line.tells.length > 0);
  return { open, setOpen, all, setAll, source, lines, deciding };
}
