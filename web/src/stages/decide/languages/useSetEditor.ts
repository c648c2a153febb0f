import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Crawl } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";

export type Form = "head" | "header" | "sitemap";

export const write = (pages: Record<string, string>) =>
  Object.entries(pages)
    .map(([code, url]) => `${code} ${url}`)
    .join("\n");

export const read = (text: string) =>
  Object.fromEntries(
    text
      .split("\n")
      .map((line) => line.trim().split(/\s+/))
      .filter((parts): parts is [string, string] => parts.length === 2),
  );

/** What SetEditor asks for and keeps. */
export function useSetEditor({
  site,
  crawl,
  pages,
  editing,
}: {
  site: number;
  crawl: Crawl;
  pages: Record<string, string>;
  editing: boolean;
}) {
  const [text, setText] = useState(write(pages));
  const [form, setForm] = useState<Form>("head");
  const decide = useDecide(site);
  const chosen = editing ? read(text) : pages;
  const enough = Object.keys(chosen).filter((code) => code !== "x-default").length > 1;
  const lines = useQuery({
    queryKey: ["decide", "lines", crawl.id, chosen],
    queryFn: () =>
      data(
        api.POST("/crawls/{crawl}/languages/lines", { params: { path: { crawl: crawl.id } }, body: { pages: chosen } }),
      ),
    enabled: enough,
    retry: false,
    placeholderData: (before) => before,
  });
  return { text, setText, form, setForm, decide, chosen, enough, lines };
}
