import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";

export type Move = "fell" | "rose" | "as_decided" | "came" | "went" | "others";

/** What the rows ask for. */
export function useMoves({ newer, earlier, move }: { newer: number; earlier: number; move: Move }) {
  const rows = useQuery({
    queryKey: ["compare", newer, earlier, move],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/compare/urls", { params: { path: { crawl: newer }, query: { with: earlier, move } } }),
      ),
  });
  return { rows: asked(rows, "the URLs") };
}
