import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { writeWhere } from "../../../kit/conditions";
import { useRules } from "../../../kit/useRules";
import { COLUMNS } from "./columns";
import type { LedgerState } from "./useLedger";

/** What Gathered asks for and keeps. */
export function useGathered({ crawl, by, ledger }: { crawl: number; by: string; ledger: LedgerState }) {
  const where = writeWhere(ledger.where);
  const { title } = useRules();
  const gathered = useQuery({
    queryKey: ["gathered", crawl, by, where],
    queryFn: () => data(api.GET("/crawls/{crawl}/gathered", { params: { path: { crawl }, query: { by, where } } })),
    retry: false,
  });
  const column = COLUMNS.find((one) => one.field === by);
  return { title, gathered: asked(gathered, "the counts"), column };
}
