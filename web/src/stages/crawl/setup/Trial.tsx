import { Inline, Columns, Mono, Quiet, Spacer } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { Sign } from "../../../kit/signs/Sign";
import { UrlText } from "../../../kit/UrlText";
import { MONO } from "../../../theme";

type Row = Schemas["ScopeTrial"]["rows"][number];
type Pattern = Schemas["ScopeTrial"]["patterns"][number];
type Props = {
  rows: Row[];
  patterns: Pattern[];
  /** How many URLs of the newest crawl they are tried on. */
  known: number;
  wrong: boolean;
  pasted: string;
  paste: (text: string) => void;
};

/** The settings tried on URLs as they are typed: what would be fetched, what not, and why. */
export function Trial({ rows, patterns, known, wrong, pasted, paste }: Props) {
  const [leftOnly, setLeftOnly] = useState(false);
  const taken = rows.filter((row) => row.taken).length;
  const shown = leftOnly ? rows.filter((row) => !row.taken) : rows;
  return (
    <Box
      component="aside"
      aria-label="Try it"
      sx={{ display: "grid", gridTemplateRows: "auto auto auto auto minmax(0, 1fr)", gap: 1.5, minHeight: 0 }}
    >
      <Typography variant="h2">Try it</Typography>
      <TextField
        label="URLs to try"
        multiline
        minRows={2}
        maxRows={5}
        value={pasted}
        onChange={(event) => paste(event.target.value)}
        helperText={known > 0 ? "One a line. Pages of the newest crawl are tried along." : "One a line."}
        slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: 12 } } }}
      />
      {wrong ? <Quiet>Mend what is wrong in the settings; then URLs can be tried on them.</Quiet> : <span />}
      <Patterns patterns={patterns} known={known} />
      {rows.length > 0 ? (
        <Inline role="status" gap={2}>
          <span>
            <strong>{count(taken)}</strong> of {counted(rows.length, "URL")} would be fetched
          </span>
          <Spacer />
          <FormControlLabel
            sx={{ mr: 0 }}
            control={<Switch size="small" checked={leftOnly} onChange={(_, on) => setLeftOnly(on)} />}
            label="not fetched only"
          />
        </Inline>
      ) : (
        <span />
      )}
      <Box
        component="ul"
        tabIndex={0}
        aria-label="What becomes of each URL"
        sx={{ listStyle: "none", m: 0, p: 0, pr: 1, overflow: "auto", minHeight: 0 }}
      >
        {shown.map((row, at) => (
          <Verdict key={`${at} ${row.url}`} row={row} />
        ))}
      </Box>
    </Box>
  );
}

const FIELDS: Record<string, string> = { exclude: "not fetched", include: "only these", caps: "capped" };

/** As what each pattern is read, and how many known URLs it matches. */
function Patterns({ patterns, known }: { patterns: Pattern[]; known: number }) {
  return (
    <Box component="ul" aria-label="Patterns" sx={{ listStyle: "none", m: 0, p: 0, maxHeight: 140, overflow: "auto" }}>
      {patterns.map((one) => {
        const none = known > 0 && one.matches === 0;
        return (
          <Box component="li" key={`${one.field} ${one.pattern}`} sx={{ display: "flex", gap: 0.75, fontSize: 12 }}>
            {none && <Sign state="weakens" size={14} label="matches nothing" />}
            <span>
              <Mono component="code">{one.pattern}</Mono>
              {one.meaning !== one.pattern && (
                <>
                  {" read as "}
                  <Mono component="code">{one.meaning}</Mono>
                </>
              )}
              {known > 0 && (
                <Box component="span" sx={{ color: none ? "rust" : "text.secondary" }}>
                  {`, ${FIELDS[one.field] ?? one.field}: `}
                  {none ? "matches no known URL" : counted(one.matches, "known URL")}
                </Box>
              )}
            </span>
          </Box>
        );
      })}
    </Box>
  );
}

function Verdict({ row }: { row: Row }) {
  const address = row.normal ?? row.url;
  return (
    <Columns component="li" of="16px minmax(0, 1fr)" across={1} ruled py={0.4}>
      <Sign state={row.taken ? "passes" : "stops"} size={14} label={row.taken ? "fetched" : "not fetched"} />
      <UrlText url={address} withHost size={12} />
      {(row.why || address !== row.url) && (
        <Box sx={{ gridColumn: 2, color: "text.secondary", fontSize: 12 }}>
          {[row.why, address !== row.url && "read without what is dropped"].filter(Boolean).join("; ")}
        </Box>
      )}
    </Columns>
  );
}
