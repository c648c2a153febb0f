import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Crawl, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked, type Screen } from "../../../kit/screen";

export type StandingNow = Schemas["StandingNow"];
export type StandingHistory = Schemas["StandingHistory"];
export type LeftOutList = Schemas["LeftOut"];
export type Row = Schemas["LeftOutRow"];

export const NO_EVIDENCE = "Nothing is known of any index yet. Connect one, or bring its files, under Crawl, Evidence.";

/** What the index holds now. */
export function useNow(crawl: Crawl): Screen<StandingNow> {
  const now = useQuery({
    queryKey: ["decide", "standing", crawl.id, crawl.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/standing", { params: { path: { crawl: crawl.id } } })),
  });
  const screen = asked(now, "what the index holds");
  return screen.state === "ready" && screen.data.date === null ? { state: "empty", why: NO_EVIDENCE } : screen;
}

/** How it came. */
export function useHistory(crawl: Crawl) {
  const { search, change } = useAddress();
  const group = search.get("group") ?? undefined;
  const history = useQuery({
    queryKey: ["decide", "standing history", crawl.id, crawl.run, group],
    queryFn: () =>
      data(
        api.GET("/crawls/{crawl}/standing/history", {
          params: { path: { crawl: crawl.id }, query: group === undefined ? {} : { group } },
        }),
      ),
  });
  const screen = asked(history, "how it came");
  const shown: Screen<StandingHistory> =
    screen.state === "ready" && screen.data.days.length === 0 ? { state: "empty", why: NO_EVIDENCE } : screen;
  return { group, choose: (name: string | undefined) => change({ group: name }, true), history: shown };
}

export type LeftOut = ReturnType<typeof useLeftOut>;

/** What it left out, and what is done about it. */
export function useLeftOut(crawl: Crawl) {
  const { search, change } = useAddress();
  const queries = useQueryClient();
  const kind = search.get("class") ?? undefined;
  const [looked, setLooked] = useState<[number, number | null] | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const path = { crawl: crawl.id };
  const list = useQuery({
    queryKey: ["decide", "left out", crawl.id, crawl.run, kind],
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/left-out", { params: { path, query: kind === undefined ? {} : { class: kind } } })),
    retry: false,
  });
  const refresh = () => queries.invalidateQueries({ queryKey: ["decide"] });
  const sort = useMutation({
    mutationFn: (fetch: boolean) =>
      worked("triage", api.POST("/crawls/{crawl}/left-out", { params: { path }, body: { fetch } }), (task) =>
        setLooked([task.done ?? 0, task.total]),
      ),
    onSettled: () => {
      setLooked(null);
      return refresh();
    },
  });
  const done = () => {
    setChosen([]);
    return refresh();
  };
  const put = useMutation({
    mutationFn: (input: { to: Schemas["LeftOutRow"]["class"]; urls?: string[]; class?: string }) =>
      data(
        api.POST("/crawls/{crawl}/left-out/class", {
          params: { path },
          body: { ...input, to: input.to as "settled" },
        }),
      ),
    onSuccess: done,
  });
  const accept = useMutation({
    mutationFn: (input: { urls?: string[]; class?: string }) =>
      data(api.POST("/crawls/{crawl}/left-out/accept", { params: { path }, body: input })),
    onSuccess: done,
  });
  return {
    list: asked(list, "what was left out"),
    chosen,
    choose: (urls: string[], on: boolean) =>
      setChosen((before) => [...before.filter((one) => !urls.includes(one)), ...(on ? urls : [])]),
    open: (name: string) => {
      setChosen([]);
      change({ class: name }, true);
    },
    sort,
    looked,
    put,
    accept,
  };
}
