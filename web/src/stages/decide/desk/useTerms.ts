import { useMemo, useState } from "react";
import type { Sheet } from "./useDeskPage";

export type Term = Sheet["terms"][number];

/** Where words stand, as people call it. */
export const ELEMENTS = [
  ["title", "Title"],
  ["description", "Descr."],
  ["headings", "Headings"],
  ["text", "Text"],
  ["emphasis", "Bold, italic"],
  ["keywords", "Keywords"],
  ["alt", "Alt texts"],
  ["links_out", "Links out"],
  ["links_in", "Links in"],
  ["address", "Address"],
] as const;

export const ORDERS = { text: "most in the text", lacking: "missing first", rivals: "by rivals", name: "by name" };
export type Order = keyof typeof ORDERS;
/** How many words a term has; 0 for any. */
export type Size = "0" | "1" | "2" | "3";

export const COMPACT = 30;
const inText = (one: Term) => one.counts.text ?? 0;
const SORTS: Record<Order, (one: Term, other: Term) => number> = {
  text: (one, other) => inText(other) - inText(one),
  lacking: (one, other) => lack(other) - lack(one),
  rivals: (one, other) => (other.rivals?.used_by ?? 0) - (one.rivals?.used_by ?? 0),
  name: (one, other) => one.term.localeCompare(other.term),
};

const lack = (one: Term) => (one.rivals ? one.rivals.median - one.share : -1);

/** Terms narrowed, sorted, and at first only some of them. */
export function useTerms(sheet: Sheet) {
  const [text, setText] = useState("");
  const [size, setSize] = useState<Size>("0");
  const [order, setOrder] = useState<Order>("text");
  const [whole, setWhole] = useState(false);
  const [drawn, setDrawn] = useState(false);
  const found = useMemo(() => narrowed(sheet.terms, text, Number(size), order), [sheet.terms, text, size, order]);
  const rows = whole ? found : found.slice(0, COMPACT);
  return { rows, total: found.length, text, setText, size, setSize, order, setOrder, whole, setWhole, drawn, setDrawn };
}

/** @param size 0 for all */
export function narrowed(terms: Term[], text: string, size: number, order: Order) {
  const part = text.trim().toLowerCase();
  return terms.filter((one) => (size === 0 || one.size === size) && one.term.includes(part)).sort(SORTS[order]);
}

export const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

/** How many rivals use a term, and how much of their words it is. */
export const amongRivals = ({ used_by, median, low, high }: NonNullable<Term["rivals"]>) =>
  `${used_by} use it, ${percent(median)} (${percent(low)} to ${percent(high)})`;

/** How the page stands to its rivals. */
export function stand({ share, rivals }: Pick<Term, "share" | "rivals">) {
  if (!rivals) return "";
  if (share === 0) return "missing";
  if (share < rivals.low) return "less than theirs";
  return share > rivals.high ? "more than theirs" : "in their range";
}
