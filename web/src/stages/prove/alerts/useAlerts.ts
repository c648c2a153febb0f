import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type Alerts = Schemas["Alerts"];
type Settings = { mails: string[]; webhook: string; limits: Record<string, number> };

/** What somebody has to hear of, and who does. */
export function useAlerts() {
  const { siteId: site, to } = useAddress();
  const queries = useQueryClient();
  const path = { site };
  const onSuccess = (told: Alerts) => queries.setQueryData(["alerts", site], told);
  const alerts = useQuery({
    queryKey: ["alerts", site],
    queryFn: () => data(api.GET("/sites/{site}/alerts", { params: { path } })),
  });
  const see = useMutation({
    mutationFn: (ids: number[]) => data(api.POST("/sites/{site}/alerts/seen", { params: { path }, body: { ids } })),
    onSuccess,
  });
  const keep = useMutation({
    mutationFn: (body: Settings) => data(api.PUT("/sites/{site}/alerts", { params: { path }, body })),
    onSuccess,
  });
  return { alerts: asked(alerts, "the alerts"), see, keep, to };
}
