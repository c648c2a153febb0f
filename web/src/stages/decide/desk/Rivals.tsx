import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { BringFile } from "../../../kit/BringFile";
import { bytes, count, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, Quiet, Wrong } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { BestPages } from "./BestPages";
import type { DeskWork, Sheet } from "./useDeskPage";

const COLUMNS = ["Rival", "Title", "Words", "Weight", "First byte", "Read", ""];
const MEASURES: Record<string, string> = {
  words: "words",
  headings: "headings",
  images: "images",
  links: "links",
  bytes: "weight",
  first_byte_ms: "first byte, ms",
};

/** What the page is held against, and how its sizes compare. */
export function Rivals({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  const [address, setAddress] = useState("");
  const [phrase, setPhrase] = useState(sheet.phrases[0] ?? "");
  const sources = sheet.rivals.map((one) => one.source);
  const add = (more: string[]) => work.keep.mutate({ rivals: [...new Set([...sources, ...more])] });
  return (
    <Part title="Against rivals" level="h2">
      <Inline gap={1.5} wrap mb={1}>
        {sheet.phrases.length > 0 && (
          <>
            <TextField
              select
              label="Best pages for"
              value={sheet.phrases.includes(phrase) ? phrase : sheet.phrases[0]}
              onChange={(event) => setPhrase(event.target.value)}
              sx={{ width: 200 }}
            >
              {sheet.phrases.map((one) => (
                <MenuItem key={one} value={one}>
                  {one}
                </MenuItem>
              ))}
            </TextField>
            <Button
              disabled={work.best.isPending}
              onClick={() => work.best.mutate(sheet.phrases.includes(phrase) ? phrase : (sheet.phrases[0] ?? ""))}
            >
              {work.best.isPending ? "Asking …" : "Ask the index"}
            </Button>
          </>
        )}
        <TextField
          label="Address of a rival"
          placeholder="https://…"
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          sx={{ width: 320 }}
        />
        <Button
          disabled={address.trim() === ""}
          onClick={() => {
            add([address.trim()]);
            setAddress("");
          }}
        >
          Add it
        </Button>
        <BringFile label="Bring a file" accept=".html,.htm,.txt" read={(file) => work.addFile.mutate(file)} />
        <Button variant="outlined" disabled={work.read.isPending} onClick={() => work.read.mutate()}>
          {work.read.isPending
            ? `Fetching, ${work.running?.done ?? 0} of ${work.running?.total ?? sources.length + 1} …`
            : "Fetch page and rivals"}
        </Button>
      </Inline>
      {work.best.data && <BestPages told={work.best.data} own={sheet.url} chosen={sources} add={add} />}
      {sheet.rivals.length > 0 && (
        <Roomy label="Rivals" columns={COLUMNS}>
          {sheet.rivals.map((one) => (
            <tr key={one.source}>
              <td style={{ overflowWrap: "anywhere" }}>{one.source}</td>
              <td>
                {one.title ?? "–"}
                {one.problem && <Wrong small>{one.problem}</Wrong>}
              </td>
              <td>{one.words === null ? "–" : count(one.words)}</td>
              <td>{one.bytes === null ? "–" : bytes(one.bytes)}</td>
              <td>{one.first_byte_ms === null ? "–" : `${one.first_byte_ms} ms`}</td>
              <td>{one.read_at ? moment(one.read_at) : "not yet"}</td>
              <td>
                <Button
                  size="low"
                  aria-label={`Take ${one.source} out`}
                  onClick={() => work.keep.mutate({ rivals: sources.filter((source) => source !== one.source) })}
                >
                  Take out
                </Button>
              </td>
            </tr>
          ))}
        </Roomy>
      )}
      {sheet.measures.length > 0 && (
        <Quiet style={{ margin: "8px 0", display: "flex", flexWrap: "wrap" }}>
          {sheet.measures.map((one) => (
            <Box component="span" key={one.name} sx={{ mr: 2.5, whiteSpace: "nowrap" }}>
              {MEASURES[one.name]}: {one.own === null ? "–" : count(Math.round(one.own))}, theirs{" "}
              {count(Math.round(one.median))} ({count(one.low)} to {count(one.high)})
            </Box>
          ))}
        </Quiet>
      )}
    </Part>
  );
}
