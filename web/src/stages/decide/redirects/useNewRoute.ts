import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";
import { useLater } from "../../../kit/useLater";

type Query = "match" | "keep" | "drop";
export type Draft = { from: string; to: string; status: number; query: Query | null };

export const EMPTY: Draft = { from: "", to: "", status: 301, query: null };

/** An address with a query means that one; to another any query is passed on, unless something else is chosen. */
export const queryOf = ({ from, query }: Draft): Query => query ?? (from.includes("?") ? "match" : "keep");

/** Whatever has a star or slashes of an expression around it is a pattern. */
export function routeOf(draft: Draft) {
  const { from, to, status } = draft;
  const pattern = from.includes("*") || /^\/.*[\\[\](){}+^$|].*\/$/.test(from.trim());
  return {
    to: status === 410 ? null : to.trim(),
    status,
    kind: pattern ? ("pattern" as const) : ("exact" as const),
    query: queryOf(draft),
    why: "made by hand",
  };
}

/** What NewRoute asks for and keeps. */
export function useNewRoute({ site }: { site: number }) {
  const [draft, setDraft] = useState(EMPTY);
  const decide = useDecide(site);
  const wish = routeOf(draft);
  const asked = useLater(JSON.stringify({ from: draft.from.trim(), ...wish }), 300);
  const trial = useQuery({
    queryKey: ["decide", "route trial", site, asked],
    queryFn: () =>
      data(
        api.POST("/sites/{site}/routes/trial", {
          params: { path: { site } },
          body: JSON.parse(asked) as { from: string; status: number },
        }),
      ),
    enabled: draft.from.trim() !== "" && (draft.status === 410 || draft.to.trim() !== ""),
    retry: false,
  });
  const change = (changes: Partial<Draft>) => setDraft((before) => ({ ...before, ...changes }));
  return { draft, setDraft, decide, wish, trial, change };
}
