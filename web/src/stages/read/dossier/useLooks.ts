import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Schemas } from "../../../api/client";
import { type Task, worked } from "../../../api/tasks";

export type RenderedPage = Schemas["RenderedPage"];
export type Look = Schemas["RenderedLook"];

/** Has the page rendered now. */
export function useLooks({ crawl, url }: { crawl: number; url: string }) {
  const [running, setRunning] = useState<Task>();
  const looks = useMutation({
    mutationFn: () =>
      worked(
        "page_rendered",
        api.POST("/crawls/{crawl}/urls/{url}/looks", { params: { path: { crawl, url } } }),
        setRunning,
      ).finally(() => setRunning(undefined)),
  });
  return { looks, running };
}
