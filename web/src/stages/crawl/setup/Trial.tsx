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
type Props = { rows: Row[]; wrong: boolean; pasted: string; paste: (text: string) => void; hasKnown: boolean };

/** The settings tried on URLs as they are typed: what would be fetched, what not, and why. */
export function Trial({ rows, wrong, pasted, paste, hasKnown }: Props) {
  const [leftOnly, setLeftOnly] = useState(false);
  const taken = rows.filter((row) => row.taken).length;
  const shown = leftOnly ? rows.filter((row) => !row.taken) : rows;
  return (
    <Box
      component="aside"
      aria-label="Try it"
      sx={{ display: "grid", gridTemplateRows: "auto auto auto minmax(0, 1fr)", gap: 1.75, minHeight: 0 }}
    >
      <Typography variant="h2">Try it</Typography>
      <TextField
        label="URLs to try"
        multiline
        minRows={2}
        maxRows={5}
        value={pasted}
        onChange={(event) => paste(event.target.value)}
        helperText={hasKnown ? "One a line. Pages of the newest crawl are tried along." : "One a line."}
        slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: 12 } } }}
      />
      {wrong && (
        <Box sx={{ color: "text.secondary" }}>Mend what is wrong in the settings; then URLs can be tried on them.</Box>
      )}
      {rows.length > 0 && (
        <Box role="status" sx={{ display: "flex", alignItems: "center", gap: 2 }}>
          <span>
            <strong>{count(taken)}</strong> of {counted(rows.length, "URL")} would be fetched
          </span>
          <Box sx={{ flex: 1 }} />
          <FormControlLabel
            sx={{ mr: 0 }}
            control={<Switch size="small" checked={leftOnly} onChange={(_, on) => setLeftOnly(on)} />}
            label="left out only"
          />
        </Box>
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

function Verdict({ row }: { row: Row }) {
  const address = row.normal ?? row.url;
  return (
    <Box
      component="li"
      sx={{
        display: "grid",
        gridTemplateColumns: "16px minmax(0, 1fr)",
        columnGap: 1,
        py: 0.4,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Sign state={row.taken ? "passes" : "stops"} size={14} label={row.taken ? "fetched" : "not fetched"} />
      <UrlText url={address} withHost size={12} />
      {(row.why || address !== row.url) && (
        <Box sx={{ gridColumn: 2, color: "text.secondary", fontSize: 12 }}>
          {[row.why, address !== row.url && "read without what is dropped"].filter(Boolean).join("; ")}
        </Box>
      )}
    </Box>
  );
}
