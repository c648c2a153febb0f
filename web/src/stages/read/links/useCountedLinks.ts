import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { COLUMNS } from "./columns";
import type { LinksState } from "./useLinks";

/** What CountedLinks asks for and keeps. */
export function useCountedLinks({ crawl, by, links }: { crawl: number; by: string; links: LinksState }) {
  const gathered = useQuery({
    queryKey: ["links", crawl, "gathered", by, links.query],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/links/gathered", { params: { path: { crawl }, query: { by, where: links.query } } }),
      ),
    retry: false,
  });
  const column = COLUMNS.find((one) => one.field === by);
  return { gathered: asked({ ...gathered, refetch: () => links.countBy(undefined) }, "the counts"), column };
}
