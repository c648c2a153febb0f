import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";
import { worked } from "../../api/tasks";
import { asked } from "../screen";

export type Fix = Schemas["Fix"];
export type Owner = Schemas["Owner"];
export type FixFault = Schemas["FixFault"];
type State = "open" | "handed over" | "left";

/** All of one fix, and what is done with it. */
export function useFix(site: number, id: string) {
  const queries = useQueryClient();
  const path = { site, fix: id };
  const onSuccess = () => queries.invalidateQueries({ queryKey: ["workplan", site] });
  const fix = useQuery({
    queryKey: ["workplan", site, "one", id],
    queryFn: () => data(api.GET("/sites/{site}/fixes/{fix}", { params: { path } })),
  });
  const change = useMutation({
    mutationFn: (body: Schemas["FixChange"]) => data(api.PUT("/sites/{site}/fixes/{fix}", { params: { path }, body })),
    onSuccess,
  });
  const become = useMutation({
    mutationFn: ({ state, why }: { state: State; why?: string }) =>
      data(api.POST("/sites/{site}/fixes/state", { params: { path: { site } }, body: { ids: [id], state, why } })),
    onSuccess,
  });
  const claim = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/fixes/claim", { params: { path: { site } }, body: { ids: [id] } })),
    onSuccess,
  });
  const prove = useMutation({
    mutationFn: () =>
      worked("fixes_proof", api.POST("/sites/{site}/fixes/prove", { params: { path: { site } }, body: { ids: [id] } })),
    onSuccess,
  });
  const apply = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/fixes/{fix}/apply", { params: { path } })),
    onSuccess,
  });
  const split = useMutation({
    mutationFn: (urls: string[]) =>
      data(api.POST("/sites/{site}/fixes/{fix}/split", { params: { path }, body: { urls } })),
    onSuccess,
  });
  const setAside = useMutation({
    mutationFn: (body: { faults: FixFault[]; why: string; until: string | null }) =>
      data(api.POST("/sites/{site}/fixes/{fix}/set-aside", { params: { path }, body })),
    onSuccess,
  });
  return { fix: asked(fix, "the fix"), change, become, claim, prove, apply, split, setAside };
}

export type FixWork = ReturnType<typeof useFix>;
