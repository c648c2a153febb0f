import { useState } from "react";

const LEAST = 44;
const MOST = 1200;

/** The widths that somebody gave to the columns of a table, kept in this browser. */
export function useWidths(table: string) {
  const key = `widths of ${table}`;
  const [widths, setWidths] = useState<Record<string, number>>(() => read(key));
  const set = (field: string, width: number | undefined) => {
    const rest = Object.fromEntries(Object.entries(widths).filter(([one]) => one !== field));
    const next = width === undefined ? rest : { ...rest, [field]: Math.round(Math.min(MOST, Math.max(LEAST, width))) };
    setWidths(next);
    localStorage.setItem(key, JSON.stringify(next));
  };
  return { widths, set };
}

export type Widths = ReturnType<typeof useWidths>;

function read(key: string): Record<string, number> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? "{}");
    return isWidths(kept) ? kept : {};
  } catch {
    return {};
  }
}

const isWidths = (kept: unknown): kept is Record<string, number> =>
  typeof kept === "object" &&
  kept !== null &&
  !Array.isArray(kept) &&
  Object.values(kept).every((one) => typeof one === "number");
