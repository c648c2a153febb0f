import { expect, test } from "vitest";
import { knownCodes } from "./codes";
import { read, write } from "./useSetEditor";

test("a set of languages is typed a line each, and read back", () => {
  const pages = { en: "https://a.test/", "de-AT": "https://a.test/de/", "x-default": "https://a.test/" };
  expect(read(write(pages))).toEqual(pages);
  expect(read("  en\thttps://a.test/  \n\nde\nfr https://a.test/fr/ and more\n")).toEqual({ en: "https://a.test/" });
});

test("known codes are of two letters, and languages and countries can be told apart", () => {
  const known = knownCodes();
  const kinds = (code: string) => known.filter((one) => one.code === code).map((one) => one.kind);
  expect([kinds("de"), kinds("DE"), kinds("AT"), kinds("en")]).toEqual([
    ["language"],
    ["country"],
    ["country"],
    ["language"],
  ]);
  expect(known.filter((one) => !/^([a-z]{2}|[A-Z]{2})$/.test(one.code))).toEqual([]);
});
