import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, asFile, data } from "../../../api/client";
import { type Result, worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";

export type Joined = Result<"list_join">;

/** A list that is brought or pasted, joined by a worker. */
export function useLists() {
  const { siteId: site } = useAddress();
  const [looked, setLooked] = useState<[number, number | null] | null>(null);
  const join = useMutation({
    mutationFn: async ({
      file,
      name,
      heading,
      fetch,
    }: {
      file: Blob;
      name: string;
      heading: string;
      fetch: boolean;
    }) => {
      const brought = await data(
        api.POST("/sites/{site}/evidence/files", { params: { path: { site }, query: { name } }, ...asFile(file) }),
      );
      return worked(
        "list_join",
        api.POST("/sites/{site}/lists", {
          params: { path: { site } },
          body: { file: brought.file, heading: heading.trim() || null, fetch },
        }),
        (task) => setLooked([task.done ?? 0, task.total]),
      );
    },
    onSettled: () => setLooked(null),
  });
  return { site, join, looked };
}
