// Reads lines of JSON {syntax, text} and writes what other parsers make of each: its types and literal values, without the vocabulary.
// Sources: npm's jsonld-streaming-parser (JSON-LD 1.1), microdata-rdf-streaming-parser (W3C, Microdata to RDF), rdfa-streaming-parser (RDFa 1.1).
import { createInterface } from "node:readline";
import { createRequire } from "node:module";

const require = createRequire(new URL("../../web/package.json", import.meta.url));
const { JsonLdParser } = require("jsonld-streaming-parser");
const { MicrodataRdfParser } = require("microdata-rdf-streaming-parser");
const { RdfaParser } = require("rdfa-streaming-parser");

const VOCABULARY = "http://schema.org/";
const BASE = "http://a.test/";
const TYPE = "http://www.w3.org/1999/02/22-rdf-syntax-ns#type";
// The context is given here, since nothing is fetched.
const loader = { load: async () => ({ "@context": { "@vocab": VOCABULARY } }) };

const parsers = {
  "json-ld": () => new JsonLdParser({ baseIRI: BASE, documentLoader: loader, allowOutOfOrderContext: true }),
  microdata: () => new MicrodataRdfParser({ baseIRI: BASE, contentType: "text/html" }),
  rdfa: () => new RdfaParser({ baseIRI: BASE, contentType: "text/html" }),
};
const short = (iri) => iri.replace(/^https?:\/\/schema\.org\//, "");

function facts(quads) {
  const told = quads.filter((quad) => /^https?:\/\/schema\.org\//.test(quad.predicate.value) || quad.predicate.value === TYPE);
  return told
    .filter((quad) => quad.object.termType !== "BlankNode")
    .map((quad) => (quad.predicate.value === TYPE ? `is ${short(quad.object.value)}` : `${short(quad.predicate.value)}: ${quad.object.value.replace(/\s+/g, " ").trim()}`))
    .sort();
}

for await (const line of createInterface({ input: process.stdin })) {
  const { syntax, text } = JSON.parse(line);
  const quads = await new Promise((resolve, reject) => {
    const found = [];
    const parser = parsers[syntax]();
    parser.on("data", (quad) => found.push(quad)).on("error", reject).on("end", () => resolve(found));
    parser.write(text);
    parser.end();
  });
  console.log(JSON.stringify(facts(quads)));
}
