import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Crawl } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";
import { useLater } from "../../../kit/useLater";

/** What the editor asks for and keeps. */
export function useDraft({ site, crawl, origin }: { site: number; crawl: Crawl; origin: string }) {
  const [text, setText] = useState<string | null>(null);
  const settled = useLater(text, 300);
  const decide = useDecide(site);
  const trial = useQuery({
    queryKey: ["decide", "robots", crawl.id, crawl.run, origin, settled],
    queryFn: () =>
      data(
        api.POST("/crawls/{crawl}/robots", { params: { path: { crawl: crawl.id } }, body: { origin, text: settled } }),
      ),
    placeholderData: (before) => before,
  });
  return { text, setText, decide, trial: asked(trial, "the draft") };
}
