// Reads lines of JSON {text, language} and writes what others make of each: its words by Intl.Segmenter (UAX #29, as CLDR tailors it), NFKC and
// in lower case, and their stems by npm's snowball-stemmers.
import { createInterface } from "node:readline";
import { createRequire } from "node:module";

const require = createRequire(new URL("../../web/package.json", import.meta.url));
const stemmers = require("snowball-stemmers");
const NAMES = { en: "english", da: "danish", it: "italian", pt: "portuguese", nb: "norwegian" };

for await (const line of createInterface({ input: process.stdin })) {
  const { text, language } = JSON.parse(line);
  const segments = new Intl.Segmenter(language, { granularity: "word" }).segment(text.normalize("NFKC").toLowerCase());
  const words = [...segments].filter((one) => one.isWordLike).map((one) => one.segment);
  const stemmer = stemmers.newStemmer(NAMES[language]);
  console.log(JSON.stringify({ words, stems: words.map((word) => stemmer.stem(word)) }));
}
