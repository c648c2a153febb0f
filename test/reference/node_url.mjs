// Reads lines of JSON [base, reference] and writes what Node's URL (WHATWG URL standard) makes of each, or null.
import { createInterface } from "node:readline";

for await (const line of createInterface({ input: process.stdin })) {
  const [base, reference] = JSON.parse(line);
  let result = null;
  try {
    const url = new URL(reference, base);
    url.hash = "";
    result = /^https?:$/.test(url.protocol) ? url.href : null;
  } catch {
    // Not a URL by the standard either.
  }
  console.log(JSON.stringify(result));
}
