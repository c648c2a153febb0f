import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type Report = Schemas["Report"];

/** The report on a site, and what is chosen of it. */
export function useReport() {
  const { siteId: site, search, change } = useAddress();
  const queries = useQueryClient();
  const from = search.get("from") ? Number(search.get("from")) : undefined;
  const report = useQuery({
    queryKey: ["report", site, from],
    queryFn: () => data(api.GET("/sites/{site}/report", { params: { path: { site }, query: from ? { from } : {} } })),
  });
  const keep = useMutation({
    mutationFn: (body: Schemas["ReportSettings"]) =>
      data(api.PUT("/sites/{site}/report", { params: { path: { site } }, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["report", site] }),
  });
  const print = useMutation({
    mutationFn: async () => {
      const { file } = await worked(
        "report_printed",
        api.POST("/sites/{site}/report/print", { params: { path: { site } }, body: { from: from ?? null } }),
      );
      window.location.assign(`/api/sites/${site}/report/printed/${file}`);
    },
  });
  return {
    print,
    site,
    from,
    setFrom: (number: string) => change({ from: number || undefined }, true),
    report: asked(report, "the report"),
    keep,
  };
}
