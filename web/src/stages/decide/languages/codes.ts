/** A code that hreflang can use, with what it means in the reader's language. */
type Known = { code: string; name: string; kind: "language" | "country" };

const LETTERS = "abcdefghijklmnopqrstuvwxyz";

/**
 * Languages of two letters and countries of two letters, as far as the browser's tables (Unicode CLDR) have names for
 * them.
 */
export function knownCodes(): Known[] {
  const languages = new Intl.DisplayNames(undefined, { type: "language", fallback: "none" });
  const countries = new Intl.DisplayNames(undefined, { type: "region", fallback: "none" });
  const pairs = [...LETTERS].flatMap((one) => [...LETTERS].map((other) => one + other));
  return pairs.flatMap((pair) => [
    ...named(languages.of(pair), pair, "language" as const),
    ...named(countries.of(pair.toUpperCase()), pair.toUpperCase(), "country" as const),
  ]);
}

const named = (name: string | undefined, code: string, kind: Known["kind"]): Known[] =>
  name === undefined ? [] : [{ code, name, kind }];
