const DAY_MS = 86_400_000;

/** The day so many days after another. */
export const dayAfter = (start: string, days: number) =>
  new Date(Date.parse(`${start}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** How many days a day lies after another. */
export const daysBetween = (start: string, day: string) =>
  Math.round((Date.parse(`${day}T00:00:00Z`) - Date.parse(`${start}T00:00:00Z`)) / DAY_MS);

/** The Mondays from a day on, as days after it. */
export function mondays(start: string, days: number): number[] {
  const weekday = new Date(`${start}T00:00:00Z`).getUTCDay();
  const first = (8 - weekday) % 7;
  return Array.from({ length: Math.max(0, Math.ceil((days - first) / 7)) }, (_, week) => first + week * 7);
}

/** Days that follow each other, as the first one and the one after the last. */
export function spans(days: number[]): [number, number][] {
  const found: [number, number][] = [];
  for (const day of days) {
    const last = found.at(-1);
    if (last && last[1] === day) last[1] = day + 1;
    else found.push([day, day + 1]);
  }
  return found;
}
