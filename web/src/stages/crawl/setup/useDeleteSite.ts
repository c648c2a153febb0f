import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Site } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** What DeleteSite asks for and keeps. */
export function useDeleteSite({ site }: { site: Site }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { navigate } = useAddress();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: () => data(api.DELETE("/sites/{site}", { params: { path: { site: site.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["sites"] });
      navigate("/");
    },
  });
  return { anchor, setAnchor, remove };
}
