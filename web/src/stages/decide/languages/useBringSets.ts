import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, asFile, data } from "../../../api/client";

/** What BringSets asks for and keeps. */
export function useBringSets({ site }: { site: number }) {
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: async ({ text, keep }: { text: string; keep: boolean }) => ({
      text,
      ...(await data(
        api.POST("/sites/{site}/languages/import", {
          params: { path: { site }, query: { keep } },
          ...asFile(new Blob([text])),
        }),
      )),
    }),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["decide"] }),
  });
  const found = bring.data;
  return { bring, found };
}
