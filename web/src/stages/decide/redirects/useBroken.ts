import { asked } from "../../../kit/screen";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, data, type Crawl } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";

/** What was picked for one lost address: one of its suggestions, or a target of the auditor's own. */
export type Pick = { to: string | null; status: number; why?: string };

/** What Broken asks for and keeps. */
export function useBroken({ site, crawl }: { site: number; crawl: Crawl }) {
  const broken = useQuery({
    queryKey: ["decide", "broken", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/broken", { params: { path: { crawl: crawl.id } } })),
    // Suggestions are being worked out.
    refetchInterval: (query) => (query.state.data?.suggested_at === null ? 1500 : false),
  });
  const [picked, setPicked] = useState<Record<string, Pick>>({});
  const [ticked, setTicked] = useState<Record<string, boolean>>({});
  const decide = useDecide(site);
  const missing = broken.data?.suggested_at === null;
  useEffect(() => {
    if (missing) void api.POST("/crawls/{crawl}/suggestions", { params: { path: { crawl: crawl.id } } });
  }, [missing, crawl.id]);
  return { broken: asked(broken, "lost addresses"), picked, setPicked, ticked, setTicked, decide };
}
