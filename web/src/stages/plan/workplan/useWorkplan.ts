import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type Workplan = Schemas["Workplan"];
export type FixRow = Workplan["fixes"][number];
export type Fix = Schemas["Fix"];
export type State = FixRow["state"];

/** In the order in which a fix goes through them. */
export const STATES: { name: State; label: string }[] = [
  { name: "open", label: "Open" },
  { name: "planned", label: "Planned" },
  { name: "claimed", label: "Said to be done" },
  { name: "returned", label: "Came back" },
  { name: "proved", label: "Proved" },
];

/** What is to be done about the site, and what is done with it. */
export function useWorkplan() {
  const { siteId: site, search, change } = useAddress();
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<string[]>([]);
  const state = (search.get("state") ?? undefined) as State | undefined;
  const path = { site };
  const plan = useQuery({
    queryKey: ["workplan", site, state],
    queryFn: () => data(api.GET("/sites/{site}/fixes", { params: { path, query: state ? { state } : {} } })),
  });
  const refresh = () => {
    setChosen([]);
    return queries.invalidateQueries({ queryKey: ["workplan", site] });
  };
  const again = useMutation({
    mutationFn: (body: { start?: string; owners?: Record<string, number> }) =>
      worked("fixes_again", api.POST("/sites/{site}/fixes/again", { params: { path }, body })),
    onSuccess: refresh,
  });
  const claim = useMutation({
    mutationFn: (ids: string[]) => data(api.POST("/sites/{site}/fixes/claim", { params: { path }, body: { ids } })),
    onSuccess: refresh,
  });
  return {
    site,
    plan: asked(plan, "the fixes"),
    state,
    choose: (name: State | undefined) => change({ state: name }, true),
    chosen,
    pick: (id: string, on: boolean) =>
      setChosen((before) => (on ? [...before, id] : before.filter((one) => one !== id))),
    open: search.get("fix") ?? undefined,
    openFix: (id: string | undefined) => change({ fix: id }),
    again,
    claim,
  };
}

/** All of one fix. */
export function useFix(site: number, id: string) {
  const fix = useQuery({
    queryKey: ["workplan", site, "one", id],
    queryFn: () => data(api.GET("/sites/{site}/fixes/{fix}", { params: { path: { site, fix: id } } })),
  });
  return asked(fix, "the fix");
}
