import type { Owner } from "./useLanes";

const LINE = /^\s*(.+?)\s+(\d+(?:[.,]\d+)?)\s*$/;
const MOST = 24;

/** Owners as they are typed, a line each. */
export const ownersText = (owners: Owner[]) => owners.map((one) => `${one.name} ${one.hours_per_day}`).join("\n");

/** Owners as they are typed, each with the days that are known of it; null where a line can't be read. */
export function ownersOf(text: string, known: Owner[] = []): Owner[] | null {
  const found: Owner[] = [];
  for (const line of text.split("\n").filter((one) => one.trim() !== "")) {
    const [, name, hours] = LINE.exec(line) ?? [];
    const given = Number(hours?.replace(",", "."));
    if (!name || !(given > 0 && given <= MOST)) return null;
    found.push({ ...known.find((one) => one.name === name), name, hours_per_day: given });
  }
  return found;
}
