import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, asFile, data } from "../../../api/client";
import { MAPS } from "../../../api/formats";

export const READ = MAPS.filter((format) => format.read).map((format) => format.name);

/** By the ending of its name; other tables of text are read as CSV. */
export const formatOf = (file: string) => READ.find((name) => file.toLowerCase().endsWith(`.${name}`)) ?? "csv";

/** What BringMap asks for and keeps. */
export function useBringMap({ site }: { site: number }) {
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) =>
      data(
        api.POST("/sites/{site}/routes/import", {
          params: { path: { site }, query: { format: formatOf(file.name), note: `from ${file.name}` } },
          ...asFile(file),
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["decide"] }),
  });
  return { bring };
}
