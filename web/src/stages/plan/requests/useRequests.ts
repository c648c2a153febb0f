import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type Requests = Schemas["Requests"];
export type IndexQueue = Requests["indexes"][number];

/** What indexes are to be asked for, and what is done with it. */
export function useRequests() {
  const { siteId: site, search, change } = useAddress();
  const queries = useQueryClient();
  const path = { site };
  const onSuccess = () => queries.invalidateQueries({ queryKey: ["requests", site] });
  const requests = useQuery({
    queryKey: ["requests", site],
    queryFn: () => data(api.GET("/sites/{site}/requests", { params: { path } })),
  });
  const add = useMutation({
    mutationFn: (body: { urls: string[]; linked: boolean }) =>
      data(api.POST("/sites/{site}/requests", { params: { path }, body })),
    onSuccess,
  });
  const tick = useMutation({
    mutationFn: (body: { ids: number[]; state: "asked" | "skipped" }) =>
      data(api.POST("/sites/{site}/requests/tick", { params: { path }, body })),
    onSuccess,
  });
  const ask = useMutation({
    mutationFn: (index: number) =>
      worked("requests_sent", api.POST("/sites/{site}/requests/ask", { params: { path }, body: { index } })),
    onSuccess,
  });
  const hide = useMutation({
    mutationFn: (body: { index: number; url: string; show: boolean; only_copy?: boolean }) =>
      worked("page_hidden", api.POST("/sites/{site}/hides", { params: { path }, body })),
    onSuccess,
  });
  return {
    requests: asked(requests, "the requests"),
    view: search.get("view") ?? "again",
    setView: (view: string) => change({ view }, true),
    add,
    tick,
    ask,
    hide,
  };
}

export type RequestsWork = ReturnType<typeof useRequests>;
