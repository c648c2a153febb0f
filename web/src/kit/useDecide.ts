import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data } from "../api/client";
import type { DecisionKind, Values } from "./decisions";

/** What is to be settled, by subject; null for nothing any more. */
export type Wishes<Kind extends DecisionKind> = Record<string, Values[Kind] | null>;

type Asked = { [Kind in DecisionKind]: { kind: Kind; wishes: Wishes<Kind>; note?: string } }[DecisionKind];

/** Settles things. What hangs on them is asked for again. */
export function useDecide(site: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ kind, wishes, note }: Asked) =>
      data(
        api.POST("/sites/{site}/decisions", {
          params: { path: { site } },
          body: {
            kind,
            note: note?.trim() ? note : null,
            values: Object.entries(wishes).map(([subject, value]) => ({ subject, value })),
          },
        }),
      ),
    onSuccess: () => refresh(queries, site),
  });
}

/** Takes decisions back. */
export function useUndo(site: number) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (ids: number[]) =>
      data(api.POST("/sites/{site}/decisions/undo", { params: { path: { site } }, body: { ids } })),
    onSuccess: () => refresh(queries, site),
  });
}

const refresh = (queries: ReturnType<typeof useQueryClient>, site: number) =>
  Promise.all([
    queries.invalidateQueries({ queryKey: ["decide"] }),
    queries.invalidateQueries({ queryKey: ["decisions"] }),
    queries.invalidateQueries({ queryKey: ["crawls", site] }),
  ]);
