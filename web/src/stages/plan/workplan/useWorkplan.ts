import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import type { State } from "../../../kit/fix/states";
import { asked } from "../../../kit/screen";

export type Workplan = Schemas["Workplan"];
export type FixRow = Workplan["fixes"][number];
type Into = { ids: string[]; state: "open" | "handed over" | "left"; why?: string };

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
    enabled: search.get("view") === "list",
  });
  const refresh = () => {
    setChosen([]);
    return queries.invalidateQueries({ queryKey: ["workplan", site] });
  };
  const again = useMutation({
    mutationFn: (body: { start?: string }) =>
      worked("fixes_again", api.POST("/sites/{site}/fixes/again", { params: { path }, body })),
    onSuccess: refresh,
  });
  const claim = useMutation({
    mutationFn: (ids: string[]) => data(api.POST("/sites/{site}/fixes/claim", { params: { path }, body: { ids } })),
    onSuccess: refresh,
  });
  const hand = useMutation({
    mutationFn: (body: Into) => data(api.POST("/sites/{site}/fixes/state", { params: { path }, body })),
    onSuccess: refresh,
  });
  const join = useMutation({
    mutationFn: (ids: string[]) => data(api.POST("/sites/{site}/fixes/join", { params: { path }, body: { ids } })),
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
    view: search.get("view") ?? undefined,
    setView: (view: string) => change({ view, state: undefined }, true),
    zoom: search.get("zoom") ?? undefined,
    setZoom: (zoom: string) => change({ zoom }, true),
    owner: search.get("owner") ?? undefined,
    setOwner: (owner: string) => change({ owner }, true),
    open: search.get("fix") ?? undefined,
    openFix: (id: string | undefined) => change({ fix: id }),
    again,
    claim,
    hand,
    join,
  };
}
