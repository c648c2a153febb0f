// Reads a table as JSON (rows of cells; a text that begins with "date:" is a day) and writes it as a workbook to the file
// that is named, by npm's write-excel-file.
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const required = createRequire(new URL("../../web/package.json", import.meta.url));
const { default: writeExcelFile } = await import(required.resolve("write-excel-file/node"));

const cell = (value) => {
  if (value === null) return null;
  if (typeof value === "number") return { type: Number, value };
  const day = /^date:(.*)$/.exec(value)?.[1];
  return day ? { type: Date, value: new Date(`${day}T00:00:00Z`), format: "yyyy-mm-dd" } : { type: String, value };
};

const rows = JSON.parse(readFileSync(0, "utf8"));
await (await writeExcelFile(rows.map((row) => row.map(cell)))).toFile(process.argv[2]);
