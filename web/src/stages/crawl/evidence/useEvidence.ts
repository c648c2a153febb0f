import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, asFile, data, type Schemas } from "../../../api/client";
import { type Kind as TaskKind, worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type EvidenceData = Schemas["Evidence"];
export type Index = EvidenceData["indexes"][number];
export type Kind = EvidenceData["kinds"][number];
export type Brought = Schemas["BroughtFile"];
export type Import = Schemas["ImportInput"];

/** How many rows a worker has read so far, while it is at it. */
export type Progress = number | null;

/** What the screen of evidence asks for. */
export function useEvidence() {
  const { siteId: site } = useAddress();
  const evidence = useQuery({
    queryKey: ["evidence", site],
    queryFn: () => data(api.GET("/sites/{site}/evidence", { params: { path: { site } } })),
  });
  return { site, evidence: asked(evidence, "the evidence") };
}

/** Has a worker do something about the evidence; afterwards all that hangs on evidence is asked for anew. */
export function useSourceWork<Input, K extends TaskKind>(
  kind: K,
  ask: (input: Input) => Parameters<typeof worked<K>>[1],
) {
  const queries = useQueryClient();
  const [progress, setProgress] = useState<Progress>(null);
  const work = useMutation({
    mutationFn: (input: Input) => worked(kind, ask(input), (task) => setProgress(task.done)),
    onSettled: () => {
      setProgress(null);
      return queries.invalidateQueries();
    },
  });
  return { work, progress };
}

/** Changes of the evidence that are done at once. */
export function useSourceChange<Input>(change: (input: Input) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: change, onSuccess: () => queries.invalidateQueries() });
}

/** A file that was chosen, and what its first lines say. */
export function useBrought(site: number) {
  return useMutation({
    mutationFn: (file: File) =>
      data(
        api.POST("/sites/{site}/evidence/files", {
          params: { path: { site }, query: { name: file.name } },
          ...asFile(file),
        }),
      ),
  });
}
