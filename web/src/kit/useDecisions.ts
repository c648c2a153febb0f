import { useQuery } from "@tanstack/react-query";
import { api, data } from "../api/client";
import type { DecisionKind } from "./decisions";

/** What was decided of one kind, the newest first, undone decisions too. */
export function useDecisions(site: number, kind: DecisionKind) {
  return useQuery({
    queryKey: ["decisions", site, kind],
    queryFn: () =>
      data(api.GET("/sites/{site}/decisions", { params: { path: { site }, query: { kind } } })).then(
        (answer) => answer.decisions,
      ),
  });
}
