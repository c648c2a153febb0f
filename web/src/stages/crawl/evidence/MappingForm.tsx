import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api } from "../../../api/client";
import { count } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, Quiet } from "../../../kit/pieces";
import { STANDINGS } from "../../../kit/standings";
import { guess, missing, wordsOf } from "./mapping";
import { Result } from "./Result";
import { type Brought, type Import, type Index, type Kind, useSourceWork } from "./useEvidence";

/** Chosen by the keyboard as any list of a form, however many headings there are. */
const NATIVE = { select: { native: true }, inputLabel: { shrink: true } };

type Props = { site: number; kind: Kind; file: Brought; indexes: Index[]; close: () => void };

/** Which column is which, asked once for each source and kept. */
export function MappingForm({ site, kind, file, indexes, close }: Props) {
  const [columns, setColumns] = useState(() => guess(kind, file));
  const [words, setWords] = useState<Record<string, string>>({});
  const [index, setIndex] = useState(indexes.find((one) => one.first)?.name ?? "index");
  const [date, setDate] = useState("");
  const [whole, setWhole] = useState("unsaid");
  const bring = useSourceWork("evidence_import", (body: Import) =>
    api.POST("/sites/{site}/evidence/imports", { params: { path: { site } }, body }),
  );
  const open = missing(kind, columns);
  const own = wordsOf(file, columns.standing).filter((word) => !(word.trim().toLowerCase() in STANDINGS));
  if (bring.work.data) return <Result result={bring.work.data} close={close} />;
  return (
    <Part title={`${file.name}: which column is which`}>
      <Beginning file={file} />
      <Inline gap={1.5} align="stretch" wrap my={1.5}>
        {kind.fields.map((field) => (
          <TextField
            key={field.name}
            select
            slotProps={NATIVE}
            size="small"
            label={field.needed ? `${field.name} (needed)` : field.name}
            value={columns[field.name] ?? ""}
            onChange={(event) => setColumns({ ...columns, [field.name]: event.target.value })}
            sx={{ width: 190 }}
          >
            <option value="">not in this file</option>
            {file.headings.map((heading, place) => (
              <option key={place} value={heading}>
                {heading || `column ${place + 1}`}
              </option>
            ))}
          </TextField>
        ))}
      </Inline>
      {kind.code === "standings" && own.length > 0 && (
        <Inline gap={1.5} align="stretch" wrap mb={1.5}>
          {own.map((word) => (
            <TextField
              key={word}
              select
              slotProps={NATIVE}
              size="small"
              label={`“${word}” means`}
              value={words[word] ?? ""}
              onChange={(event) => setWords({ ...words, [word]: event.target.value })}
              sx={{ width: 240 }}
            >
              <option value="">not said yet</option>
              {Object.entries(STANDINGS).map(([state, name]) => (
                <option key={state} value={state}>
                  {name}
                </option>
              ))}
            </TextField>
          ))}
        </Inline>
      )}
      <Inline gap={1.5} wrap>
        {kind.of_index && (
          <TextField size="small" label="Index" value={index} onChange={(event) => setIndex(event.target.value)} />
        )}
        <TextField
          size="small"
          type="date"
          label="Day it is of"
          value={date}
          onChange={(event) => setDate(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        <TextField
          select
          slotProps={NATIVE}
          size="small"
          label="Was it cut?"
          value={whole}
          onChange={(event) => setWhole(event.target.value)}
          sx={{ width: 250 }}
        >
          <option value="unsaid">not that I know</option>
          <option value="whole">no, it is whole</option>
          <option value="sample">yes, it is a sample</option>
        </TextField>
        <Button
          variant="contained"
          disabled={open.length > 0 || bring.work.isPending}
          onClick={() =>
            bring.work.mutate({
              file: file.file,
              kind: kind.code as Import["kind"],
              index: kind.of_index ? index : null,
              date: date || null,
              columns: Object.fromEntries(Object.entries(columns).filter(([, heading]) => heading !== "")),
              words,
              whole: whole === "unsaid" ? null : whole === "whole",
            })
          }
        >
          {bring.work.isPending ? `${count(bring.progress ?? 0)} rows read …` : "Take it over"}
        </Button>
        <Button onClick={close}>Leave it</Button>
        {open.length > 0 && <Quiet component="span">Say which column holds {open.join(" and ")}.</Quiet>}
      </Inline>
      {bring.work.error && <Alert severity="error">{bring.work.error.message}</Alert>}
    </Part>
  );
}

function Beginning({ file }: { file: Brought }) {
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label="How the file begins">
      <Box component="table" sx={{ borderCollapse: "collapse", fontSize: 12, "& th, & td": { px: 1, py: 0.25 } }}>
        <thead>
          <tr>
            {file.headings.map((heading, place) => (
              <Box component="th" key={place} sx={{ textAlign: "left", borderBottom: 1, borderColor: "divider" }}>
                {heading}
              </Box>
            ))}
          </tr>
        </thead>
        <tbody>
          {file.rows.map((row, line) => (
            <tr key={line}>
              {row.map((cell, place) => (
                <td key={place}>{(cell ?? "").slice(0, 60)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
