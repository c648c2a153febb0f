import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data } from "../api/client";
import { useSession } from "../kit/queries";

/** What Account asks for and keeps. */
export function useAccount() {
  const session = useSession();
  const queries = useQueryClient();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const leave = useMutation({
    mutationFn: () => data(api.DELETE("/session")),
    onSuccess: () => {
      queries.clear();
      window.location.assign("/");
    },
  });
  return { session, anchor, setAnchor, leave };
}
