import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { useCurrent } from "../kit/useCurrent";

/** When the crawl that is looked at was judged again, everything read of it is read anew. */
export function useNewVerdicts() {
  const { crawl } = useCurrent();
  const queries = useQueryClient();
  const seen = useRef<{ crawl: number; run: number | null } | undefined>(undefined);
  const id = crawl?.id;
  const run = crawl?.run ?? null;
  useEffect(() => {
    if (id === undefined) return;
    if (seen.current?.crawl === id && seen.current.run !== run)
      void queries.invalidateQueries({ predicate: (query) => query.queryKey.includes(id) });
    seen.current = { crawl: id, run };
  }, [id, run, queries]);
}
