/** One condition on a column of the ledger. */
export type Condition = { field: string; op: string; value?: string | number | boolean | string[] };
/** An and/or tree of conditions, the same for API, saved view, export and address. */
export type Where = { all: (Condition | { any: Condition[] })[] };

export const NO_CONDITIONS: Where = { all: [] };

/** Reads the conditions of an address; what can't be read counts as none. */
export function readWhere(text: string | null): Where {
  if (!text) return NO_CONDITIONS;
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === "object" && value !== null && "all" in value && Array.isArray(value.all))
      return value as Where;
  } catch {
    // An address that was cut short shows everything rather than nothing.
  }
  return NO_CONDITIONS;
}

/** The parts that must all hold, each as its alternatives. */
export const partsOf = (where: Where): Condition[][] => where.all.map((part) => ("field" in part ? [part] : part.any));

/** The tree with one part replaced by these alternatives, or added; without any the part is dropped. */
export function withPart(where: Where, place: number, any: Condition[]): Where {
  const all = [...where.all];
  const [only] = any;
  if (!only) all.splice(place, 1);
  else all[place] = any.length === 1 ? only : { any };
  return { all };
}

/** The conditions as they stand in an address; nothing where there are none. */
export const writeWhere = (where: Where) => (where.all.length === 0 ? undefined : JSON.stringify(where));
