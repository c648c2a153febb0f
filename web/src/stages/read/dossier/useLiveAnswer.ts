import { useMutation } from "@tanstack/react-query";
import { api } from "../../../api/client";
import { worked } from "../../../api/tasks";

export type Kind = "crawler" | "visitor";

/** What LiveAnswer asks for and keeps. */
export function useLiveAnswer({ crawl, url }: { crawl: number; url: string }) {
  const live = useMutation({
    mutationFn: (as: Kind) =>
      worked(
        "live_fetch",
        api.POST("/crawls/{crawl}/urls/{url}/live", { params: { path: { crawl, url } }, body: { as } }),
      ),
  });
  return { live };
}
