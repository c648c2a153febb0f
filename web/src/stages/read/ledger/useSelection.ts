import { useState } from "react";
import type { LedgerRow } from "../../../api/client";

/** The rows that were picked, in the order of the ledger; a range begins where the last one was picked. */
export function useSelection(rows: LedgerRow[]) {
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [from, setFrom] = useState(0);

  const flip = (index: number) => {
    const id = rows[index]?.url_id;
    if (id === undefined) return;
    setFrom(index);
    setPicked((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  };
  const range = (to: number) =>
    setPicked((before) => {
      const ids = rows.slice(Math.min(from, to), Math.max(from, to) + 1).map((row) => row.url_id);
      return new Set([...before, ...ids]);
    });

  return {
    picked,
    urls: rows.filter((row) => picked.has(row.url_id)).map((row) => row.url),
    flip,
    range,
    clear: () => setPicked(new Set()),
  };
}

export type Selection = ReturnType<typeof useSelection>;
