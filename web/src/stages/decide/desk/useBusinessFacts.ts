import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { asked } from "../../../kit/screen";

export type BusinessFacts = Schemas["BusinessFacts"];
export type Fact = BusinessFacts["facts"][number]["fact"];

/** How the business is written, and how it shall be. */
export function useBusinessFacts(site: number) {
  const queries = useQueryClient();
  const path = { site };
  const key = ["business-facts", site];
  const onSuccess = (told: BusinessFacts) => queries.setQueryData(key, told);
  const facts = useQuery({
    queryKey: key,
    queryFn: () => data(api.GET("/sites/{site}/business-facts", { params: { path } })),
  });
  const choose = useMutation({
    mutationFn: (body: { chosen: Record<string, string>; country: string | null }) =>
      data(api.PUT("/sites/{site}/business-facts", { params: { path }, body })),
    onSuccess,
  });
  const bring = useMutation({
    mutationFn: async (file: File) =>
      data(api.POST("/sites/{site}/business-facts/listings", { params: { path }, body: { text: await file.text() } })),
    onSuccess,
  });
  const fix = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/business-facts/fix", { params: { path } })),
  });
  return { facts: asked(facts, "the business facts"), choose, bring, fix };
}
