import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { type Task, worked } from "../../../api/tasks";
import { asked } from "../../../kit/screen";

export type Sheet = Schemas["DeskSheet"];
export type Draft = Schemas["DeskDraft"];
type Change = Schemas["DeskChange"];

const KEEP_AFTER_MS = 700;

/** One page at the desk, and what is done with it. What is written is kept a moment after the last key. */
export function useDeskPage(site: number, url: string) {
  const queries = useQueryClient();
  const path = { site, url };
  const key = ["desk", site, "page", url];
  const [running, setRunning] = useState<Task>();
  const sheet = useQuery({
    queryKey: key,
    queryFn: () => data(api.GET("/sites/{site}/desk/{url}", { params: { path } })),
  });
  const pictures = useQuery({
    queryKey: [...key, "pictures"],
    queryFn: () => data(api.GET("/sites/{site}/desk/{url}/pictures", { params: { path } })),
  });
  const previews = new Map(pictures.data?.pictures.map((one) => [one.url, one.preview]));
  const took = (told: Sheet) => queries.setQueryData(key, told);
  const refresh = () => queries.invalidateQueries({ queryKey: key });
  const keep = useMutation({
    mutationFn: (body: Change) => data(api.PUT("/sites/{site}/desk/{url}", { params: { path }, body })),
    onSuccess: took,
  });
  const read = useMutation({
    mutationFn: () =>
      worked("desk_read", api.POST("/sites/{site}/desk/{url}/read", { params: { path } }), setRunning).finally(() =>
        setRunning(undefined),
      ),
    onSettled: refresh,
  });
  const preview = useMutation({
    mutationFn: () => worked("draft_rendered", api.POST("/sites/{site}/desk/{url}/preview", { params: { path } })),
  });
  const addFile = useMutation({
    mutationFn: async (file: File) =>
      data(
        api.POST("/sites/{site}/desk/{url}/files", {
          params: { path },
          body: { name: file.name, text: await file.text() },
        }),
      ),
    onSuccess: took,
  });
  const best = useMutation({
    mutationFn: (phrase: string) =>
      worked("best_pages", api.POST("/sites/{site}/best-pages", { params: { path: { site } }, body: { phrase } })),
  });
  const markUp = useMutation({
    mutationFn: (body: { kinds: string[]; local: string }) =>
      data(api.POST("/sites/{site}/desk/{url}/data", { params: { path }, body })),
  });
  const handOver = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/desk/{url}/hand-over", { params: { path } })),
  });
  const writing = useWriting(sheet.data, (draft) => keep.mutate({ draft }));
  return {
    sheet: asked(sheet, "the page"),
    previews,
    keep,
    read,
    running,
    preview,
    addFile,
    best,
    markUp,
    handOver,
    ...writing,
  };
}

/** The draft as it is typed, sent on when the hand rests, or when the page is left. */
function useWriting(sheet: Sheet | undefined, send: (draft: Draft) => void) {
  const [typed, setTyped] = useState<Draft>();
  const waiting = useRef<{ timer: ReturnType<typeof setTimeout>; send: () => void }>(undefined);
  const draft = typed ?? sheet?.draft ?? {};
  const stop = useCallback(() => {
    clearTimeout(waiting.current?.timer);
    waiting.current = undefined;
  }, []);
  const sendNow = useCallback(() => {
    waiting.current?.send();
    stop();
  }, [stop]);
  useEffect(() => sendNow, [sendNow]);
  const write = (change: Draft) => {
    const next = { ...draft, ...change };
    setTyped(next);
    stop();
    waiting.current = { timer: setTimeout(sendNow, KEEP_AFTER_MS), send: () => send(next) };
  };
  const startOver = () => {
    stop();
    setTyped({});
    send({});
  };
  return { draft, write, startOver };
}

export type DeskWork = ReturnType<typeof useDeskPage>;
