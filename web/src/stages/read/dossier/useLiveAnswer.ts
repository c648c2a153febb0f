import { useMutation } from "@tanstack/react-query";
import { api, data } from "../../../api/client";

export type Kind = "crawler" | "visitor";

/** What LiveAnswer asks for and keeps. */
export function useLiveAnswer({ crawl, url }: { crawl: number; url: string }) {
  const live = useMutation({
    mutationFn: (as: Kind) =>
      data(api.POST("/crawls/{crawl}/urls/{url}/live", { params: { path: { crawl, url } }, body: { as } })),
  });
  return { live };
}
