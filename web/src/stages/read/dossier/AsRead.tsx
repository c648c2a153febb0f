import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, Columns, Quiet } from "../../../kit/pieces";
import { type ReadLine, useAsRead } from "./useAsRead";

/** The text in order, as a crawler gets it, with its headings and links; the words of a query marked and counted. */
export function AsRead({ crawl, url }: { crawl: number; url: string }) {
  const { open, setOpen, query, setQuery, reading } = useAsRead({ crawl, url });
  return (
    <Part title="The text as a crawler reads it">
      <Inline gap={1.5} mb={0.5}>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)} sx={{ whiteSpace: "nowrap" }}>
          {open ? "Put it away" : "Show it"}
        </Button>
        {open && (
          <TextField
            label="Words to mark"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
            sx={{ width: 260 }}
          />
        )}
        {open && reading.data && (
          <Quiet component="span" role="status">
            {counted(reading.data.words, "word")}
            {reading.data.rendered && ", after its scripts"}
            {reading.data.counts.map((one) => `, “${one.word}” ${counted(one.times, "time")}`)}
          </Quiet>
        )}
      </Inline>
      {reading.error?.message}
      {open && reading.data && (
        <Box tabIndex={0} role="region" aria-label="Text" sx={PAPER}>
          {reading.data.lines.map((line, place) => (
            <Line key={place} line={line} />
          ))}
        </Box>
      )}
    </Part>
  );
}

function Line({ line }: { line: ReadLine }) {
  return (
    <Columns of="34px minmax(0, 1fr)" mb={line.level ? 0.25 : 0.75}>
      <Quiet small>{line.level ? `H${line.level}` : ""}</Quiet>
      <Box
        sx={{ fontWeight: line.level ? 700 : 400, fontSize: line.level ? Math.max(14, 19 - line.level) : undefined }}
      >
        {line.pieces.map((piece, place) => (
          <Box
            key={place}
            component={piece.marked ? "mark" : "span"}
            title={piece.url ?? undefined}
            sx={{
              color: "inherit",
              bgcolor: piece.marked ? "color-mix(in srgb, var(--mui-palette-moss) 45%, transparent)" : undefined,
              textDecoration: piece.url ? "underline" : undefined,
              textUnderlineOffset: 3,
            }}
          >
            {piece.text}
          </Box>
        ))}
      </Box>
    </Columns>
  );
}

const PAPER = { bgcolor: "background.default", p: 1.5, overflow: "auto", maxHeight: 420 } as const;
