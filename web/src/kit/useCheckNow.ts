import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api } from "../api/client";
import { worked } from "../api/tasks";

/** What CheckNow asks for and keeps. */
export function useCheckNow({ crawl, decision }: { crawl: number; decision: number }) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const check = useMutation({
    mutationFn: () =>
      worked(
        "decision_check",
        api.POST("/crawls/{crawl}/decisions/{decision}/check", { params: { path: { crawl, decision } } }),
      ),
  });
  return { button, open, setOpen, check };
}
