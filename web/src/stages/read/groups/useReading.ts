import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, api, data, type Schemas } from "../../../api/client";
import { useLater } from "../../../kit/useLater";

export type Reading = Schemas["ReadingSettings"];
/** A group as it is being edited; the key stays the same while its name and place change. */
export type Draft = {
  key: number;
  name: string;
  pattern: string;
  template: string | null;
  intent: string;
  thresholds: Record<string, number>;
};
export type Trial = ReturnType<typeof useReading>["trial"];

let lastKey = 0;

const draftOf = (group: Schemas["PageGroup"]): Draft => ({
  key: (lastKey += 1),
  name: group.name,
  pattern: group.pattern,
  template: group.template ?? null,
  intent: group.intent ?? "",
  thresholds: group.thresholds ?? {},
});

const groupOf = ({ name, pattern, template, intent, thresholds }: Draft): Schemas["PageGroup"] => ({
  name,
  pattern,
  template,
  intent: intent === "" ? null : (intent as "index"),
  thresholds,
});

/** State and requests of the screen of groups and limits. */
export function useReading(site: number, saved: Reading) {
  const [groups, setGroups] = useState(() => saved.groups.map(draftOf));
  const [thresholds, setThresholds] = useState(saved.thresholds);
  const [weights, setWeights] = useState(saved.weights);
  const queries = useQueryClient();

  const later = JSON.stringify(groups.filter((one) => one.pattern.trim() !== "" || one.template).map(groupOf));
  const asked = useLater(later, 350);
  const trial = useQuery({
    queryKey: ["groups", site, asked],
    queryFn: () =>
      data(
        api.POST("/sites/{site}/groups/trial", {
          params: { path: { site } },
          body: { groups: JSON.parse(asked) as Schemas["PageGroup"][] },
        }),
      ),
    placeholderData: (before) => before,
    retry: false,
  });

  const propose = useMutation({
    mutationFn: () => data(api.GET("/sites/{site}/groups/proposals", { params: { path: { site } } })),
    onSuccess: (answer) => setGroups(answer.groups.map(draftOf)),
  });

  const save = useMutation({
    mutationFn: () =>
      data(
        api.PUT("/sites/{site}/reading", {
          params: { path: { site } },
          body: { groups: groups.map(groupOf), thresholds, weights },
        }),
      ),
    onSuccess: (answer) => {
      queries.setQueryData(["reading", site], answer);
      return queries.invalidateQueries({ queryKey: ["crawls", site] });
    },
  });

  return {
    groups,
    thresholds,
    setThresholds,
    weights,
    setWeights,
    trial,
    propose,
    save,
    add: () => setGroups((before) => [...before, draftOf({ name: "", pattern: "" })]),
    change: (key: number, changes: Partial<Draft>) =>
      setGroups((before) => before.map((one) => (one.key === key ? { ...one, ...changes } : one))),
    remove: (key: number) => setGroups((before) => before.filter((one) => one.key !== key)),
    move: (key: number, by: -1 | 1) => setGroups((before) => moved(before, key, by)),
    problems: save.error instanceof ApiError ? (save.error.problem?.problems ?? []) : [],
    changed: JSON.stringify({ groups: groups.map(groupOf), thresholds, weights }) !== JSON.stringify(givenOf(saved)),
  };
}

const givenOf = ({ groups, thresholds, weights }: Reading) => ({
  groups: groups.map(draftOf).map(groupOf),
  thresholds,
  weights,
});

function moved(groups: Draft[], key: number, by: -1 | 1) {
  const at = groups.findIndex((one) => one.key === key);
  const one = groups[at];
  const other = groups[at + by];
  if (!one || !other) return groups;
  return groups.map((group, place) => (place === at ? other : place === at + by ? one : group));
}
