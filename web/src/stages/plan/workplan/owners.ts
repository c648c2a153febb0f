import type { Workplan } from "./useWorkplan";

const LINE = /^\s*(.+?)\s+(\d+(?:[.,]\d+)?)\s*$/;
const MOST = 24;

/** Owners as they are typed, a line each. */
export const ownersText = (owners: Workplan["owners"]) =>
  owners.map((one) => `${one.name} ${one.hours_per_day}`).join("\n");

/** Hours a day by name; null where a line can't be read. */
export function ownersOf(text: string): Record<string, number> | null {
  const found: Record<string, number> = {};
  for (const line of text.split("\n").filter((one) => one.trim() !== "")) {
    const [, name, hours] = LINE.exec(line) ?? [];
    const given = Number(hours?.replace(",", "."));
    if (!name || !(given > 0 && given <= MOST)) return null;
    found[name] = given;
  }
  return found;
}
