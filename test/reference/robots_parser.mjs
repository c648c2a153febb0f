// Reads lines of JSON {text, agent, url} and writes what npm's robots-parser makes of each: allowed and the deciding line.
import { createInterface } from "node:readline";
import { createRequire } from "node:module";

const robotsParser = createRequire(new URL("../../web/package.json", import.meta.url))("robots-parser");

for await (const line of createInterface({ input: process.stdin })) {
  const { text, agent, url } = JSON.parse(line);
  const robots = robotsParser("http://a.test/robots.txt", text);
  const at = robots.getMatchingLineNumber(url, agent);
  console.log(JSON.stringify({ allowed: robots.isAllowed(url, agent) !== false, line: at > 0 ? at : null }));
}
