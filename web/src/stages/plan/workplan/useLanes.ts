import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { type Task, worked } from "../../../api/tasks";
import { asked } from "../../../kit/screen";

export type Lanes = Schemas["Lanes"];
export type Bar = Schemas["Bar"];
export type TrayFix = Schemas["TrayFix"];
export type Owner = Schemas["Owner"];
export type LaidOut = Schemas["LaidOut"];
export type Settings = Schemas["WorkplanSettings"];
export type Wish = { start: string; owners?: Owner[]; freezes?: Schemas["Freeze"][] };
export type Change = Schemas["FixChange"];

/** The plan as it is drawn, and what people do with it. */
export function useLanes(site: number) {
  const queries = useQueryClient();
  const path = { site };
  const refresh = () => queries.invalidateQueries({ queryKey: ["workplan", site] });
  const lanes = useQuery({
    queryKey: ["workplan", site, "lanes"],
    queryFn: () => data(api.GET("/sites/{site}/workplan", { params: { path } })),
  });
  const [running, setRunning] = useState<Task>();
  const look = (wish: Wish, attempt: boolean) =>
    worked(
      "fixes_again",
      api.POST("/sites/{site}/fixes/again", { params: { path }, body: { ...wish, try: attempt } }),
      setRunning,
    ).finally(() => setRunning(undefined));
  const cancel = async () => {
    if (running) await api.DELETE("/tasks/{task}", { params: { path: { task: running.id } } });
  };
  const attempt = useMutation({ mutationFn: (wish: Wish) => look(wish, true) });
  const keep = useMutation({ mutationFn: (wish: Wish) => look(wish, false), onSuccess: refresh });
  const settings = useMutation({
    mutationFn: (body: Settings) => data(api.PUT("/sites/{site}/workplan", { params: { path }, body })),
    onSuccess: refresh,
  });
  /** What is moved stays where it was put; the others make room. */
  const move = useMutation({
    mutationFn: async ({ id, start, ...body }: Change & { id: string; start: string }) => {
      await data(api.PUT("/sites/{site}/fixes/{fix}", { params: { path: { site, fix: id } }, body }));
      return look({ start }, false);
    },
    onSettled: refresh,
  });
  return { lanes: asked(lanes, "the plan"), attempt, keep, settings, move, running, cancel };
}

export type LanesWork = ReturnType<typeof useLanes>;
