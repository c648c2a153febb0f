import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../api/client";
import { worked } from "../api/tasks";
import { asked } from "./screen";

export type MissingLinks = Schemas["MissingLinks"];
export type MissingLink = Schemas["MissingLink"];
export type Topic = MissingLinks["topics"][number];

/** Links that should be and topics, as they were worked out last, or anew. */
export function useMissingLinks(site: number) {
  const queries = useQueryClient();
  const key = ["decide", "missing-links", site];
  const path = { site };
  const found = useQuery({
    queryKey: key,
    queryFn: () => data(api.GET("/sites/{site}/missing-links", { params: { path } })),
  });
  const look = useMutation({
    mutationFn: () => worked("links_sought", api.POST("/sites/{site}/missing-links", { params: { path } })),
    onSettled: () => queries.invalidateQueries({ queryKey: key }),
  });
  return { found: asked(found, "the links"), look };
}
