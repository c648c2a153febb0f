import type { Brought, Kind } from "./useEvidence";

/** Which heading of a file each field has: our own names where they are there. */
export const guess = (kind: Kind, file: Brought): Record<string, string> =>
  Object.fromEntries(
    kind.fields.flatMap((field) => {
      const own = file.headings.find((heading) => heading.trim().toLowerCase() === field.name);
      return own === undefined ? [] : [[field.name, own]];
    }),
  );

/** The fields that a row needs and that have no heading yet. */
export const missing = (kind: Kind, columns: Record<string, string>) =>
  kind.fields.filter((field) => field.needed && !columns[field.name]).map((field) => field.name);

/** The words that stand in a column, as far as the file was looked into. */
export function wordsOf(file: Brought, heading: string | undefined): string[] {
  const place = heading === undefined ? -1 : file.headings.indexOf(heading);
  return (file.words[place] ?? []).filter((word): word is string => word !== null && word.trim() !== "");
}
