// Reads a calendar and writes what npm's ical.js makes of each event: uid, summary, first day, the day after the last,
// and sequence.
import { createRequire } from "node:module";

const loaded = createRequire(new URL("../../web/package.json", import.meta.url))("ical.js");
const ICAL = loaded.default ?? loaded;
let text = "";
for await (const piece of process.stdin) text += piece;

const calendar = new ICAL.Component(ICAL.parse(text));
const events = calendar.getAllSubcomponents("vevent").map((one) => ({
  uid: one.getFirstPropertyValue("uid"),
  summary: one.getFirstPropertyValue("summary"),
  from: one.getFirstPropertyValue("dtstart").toString(),
  until: one.getFirstPropertyValue("dtend").toString(),
  whole: one.getFirstPropertyValue("dtstart").isDate,
  sequence: one.getFirstPropertyValue("sequence"),
}));
console.log(JSON.stringify(events));
