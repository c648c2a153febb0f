import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { worked } from "../../../api/tasks";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";

export type Proofs = Schemas["Proofs"];
export type Proof = Proofs["fixes"][number];

/** What was said to be done, and whether it holds. */
export function useProofs() {
  const { siteId: site, search, change } = useAddress();
  const queries = useQueryClient();
  const proofs = useQuery({
    queryKey: ["workplan", site, "proofs"],
    queryFn: () => data(api.GET("/sites/{site}/proofs", { params: { path: { site } } })),
  });
  const lookAll = useMutation({
    mutationFn: () =>
      worked("fixes_proof", api.POST("/sites/{site}/fixes/prove", { params: { path: { site } }, body: { ids: [] } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["workplan", site] }),
  });
  return {
    site,
    proofs: asked(proofs, "the proofs"),
    state: search.get("state") ?? undefined,
    choose: (state: string | undefined) => change({ state }, true),
    open: search.get("fix") ?? undefined,
    openFix: (id: string | undefined) => change({ fix: id }),
    lookAll,
  };
}
