import type { IntentValue } from "../../../kit/decisions";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Crawl, type Schemas } from "../../../api/client";
import type { Span } from "../../../kit/spans";
import { useDecide } from "../../../kit/useDecide";
import { useLater } from "../../../kit/useLater";

export type Evidence = Schemas["IntentEvidence"]["groups"][number];
export type Proposal = Schemas["IntentEvidence"]["proposals"][number];
export type Change = Schemas["IntentChange"];
export type Wish = IntentValue;
type Drafts = { group: Record<string, Wish | null>; intent: Record<string, Wish | null> };

const NONE: Drafts = { group: {}, intent: {} };

/** State and requests of the screen of intents: what is drafted is tried before it is decided. */
export function useIntent(site: number, crawl: Crawl) {
  const [drafts, setDrafts] = useState<Drafts>(NONE);
  const [note, setNote] = useState("");
  const [span, setSpan] = useState<Span>("middle");
  const decide = useDecide(site);
  const evidence = useQuery({
    queryKey: ["decide", "intent", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/intent", { params: { path: { crawl: crawl.id } } })),
  });

  const values = (["group", "intent"] as const).flatMap((kind) =>
    Object.entries(drafts[kind]).map(([subject, value]) => ({ kind, subject, value })),
  );
  const asked = useLater(JSON.stringify(values), 300);
  const change = useQuery({
    queryKey: ["decide", "change", crawl.id, crawl.run, asked],
    queryFn: () =>
      data(
        api.POST("/crawls/{crawl}/intent/trial", {
          params: { path: { crawl: crawl.id } },
          body: { values: JSON.parse(asked) as typeof values },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });

  const draft = (kind: "group" | "intent", subject: string, wish: Wish | null) =>
    setDrafts((before) => ({ ...before, [kind]: { ...before[kind], [subject]: wish } }));

  const save = async () => {
    for (const kind of ["group", "intent"] as const)
      if (Object.keys(drafts[kind]).length > 0)
        await decide.mutateAsync({ kind, wishes: drafts[kind] as Record<string, Wish | null>, note });
    setDrafts(NONE);
    setNote("");
  };

  /** All that is proposed, with what was drafted by hand before. What a proposal leaves out stays undecided. */
  const accept = (proposals: Proposal[]) =>
    setDrafts((before) => ({
      group: {
        ...Object.fromEntries(
          proposals.filter((one) => one.urls === null).map((one) => [one.group, { intent: one.intent }]),
        ),
        ...before.group,
      },
      intent: {
        ...Object.fromEntries(
          proposals.flatMap((one) => [
            ...one.except.map((url) => [url, { intent: "undecided" }] as const),
            ...(one.urls ?? []).map((url) => [url, { intent: one.intent }] as const),
          ]),
        ),
        ...before.intent,
      },
    }));

  return {
    evidence,
    drafts,
    draft,
    accept,
    change,
    note,
    setNote,
    span,
    setSpan,
    decide,
    save,
    drafted: values.length,
    forget: () => setDrafts(NONE),
  };
}
