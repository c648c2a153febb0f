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
  const [find, setFind] = useState("");
  const lines = (source.data?.lines ?? []).map((line, at) => ({ ...line, number: at + 1 }));
  const deciding = lines.filter((line) => line.tells.length > 0);
  const wanted = find.trim().toLowerCase();
  const found = wanted === "" ? undefined : lines.filter((line) => line.text.toLowerCase().includes(wanted));
  return { find, setFind, found, open, setOpen, all, setAll, source, lines, deciding };
}
