import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { BringFile } from "../../../kit/BringFile";
import { count, counted } from "../../../kit/format";
import { Apart, Inline, Quiet, Scroll, Spacer } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import { shownPlaces } from "./shown";
import { type Joined, useLists } from "./useLists";

const WAYS: Record<string, string> = {
  url: "found as they are",
  host: "found under another variant of the host",
  slash: "found with or without the slash at the end",
  case: "found in other case",
  not: "not known to the crawl",
};

/** URLs from anywhere, joined with facts, standing and record, and looked at now. */
export default function Lists() {
  const crawl = useFinished("Lists are joined with what a crawl found; there is none yet.");
  const { site, join, looked } = useLists();
  const [text, setText] = useState("");
  const [heading, setHeading] = useState("");
  const [fetch, setFetch] = useState(true);
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  const send = (file: Blob, name: string) => join.mutate({ file, name, heading, fetch });
  return (
    <Scroll component="section" aria-label="Lists" tabIndex={0}>
      <Apart py={1.5}>
        <Typography variant="h1">Bring a list of URLs</Typography>
        <Quiet>Each row stays, with its own columns, and gains what is known of its URL.</Quiet>
      </Apart>
      <Inline gap={1.5} align="start" wrap>
        <TextField
          multiline
          minRows={3}
          maxRows={10}
          label="Paste URLs, one a line"
          value={text}
          onChange={(event) => setText(event.target.value)}
          sx={{ width: 520 }}
        />
        <Stack spacing={1}>
          <TextField
            size="small"
            label="Column with the URLs"
            placeholder="url"
            value={heading}
            onChange={(event) => setHeading(event.target.value)}
          />
          <FormControlLabel
            control={<Checkbox size="small" checked={fetch} onChange={(_, on) => setFetch(on)} />}
            label="Look at each URL now"
          />
          <Inline align="stretch">
            <Button
              variant="contained"
              disabled={join.isPending || text.trim() === ""}
              onClick={() => send(new Blob([text]), "pasted list")}
            >
              {join.isPending
                ? looked?.[1]
                  ? `${count(looked[0])} of ${count(looked[1])} looked at …`
                  : "Joining …"
                : "Join them"}
            </Button>
            <BringFile
              label="Bring a file"
              accept=".csv,.tsv,.txt,.xlsx"
              disabled={join.isPending}
              read={(file) => send(file, file.name)}
            />
          </Inline>
        </Stack>
      </Inline>
      {join.error && <Alert severity="error">{join.error.message}</Alert>}
      {join.data && <JoinedTable site={site} joined={join.data} />}
    </Scroll>
  );
}

function JoinedTable({ site, joined }: { site: number; joined: Joined }) {
  const places = shownPlaces(joined.columns);
  return (
    <Apart mt={2}>
      <Inline gap={2} wrap mb={1}>
        <strong>{counted(joined.total, "row")}</strong>
        {Object.entries(joined.matched).map(([way, rows]) => (
          <Quiet component="span" key={way}>
            {count(rows)} {WAYS[way] ?? way}
          </Quiet>
        ))}
        <Spacer />
        {["csv", "xlsx", "jsonl"].map((format) => (
          <Button key={format} component="a" size="small" href={`/api/sites/${site}/lists/${joined.file}.${format}`}>
            {format.toUpperCase()}
          </Button>
        ))}
      </Inline>
      <Box
        component="table"
        sx={{
          borderCollapse: "collapse",
          fontSize: 12.5,
          "& th": { textAlign: "left", color: "text.secondary", fontWeight: 500 },
          "& th, & td": {
            px: 0.75,
            py: 0.4,
            borderBottom: 1,
            borderColor: "divider",
            maxWidth: 340,
            overflowWrap: "anywhere",
          },
        }}
      >
        <thead>
          <tr>
            {places.map((place) => (
              <th key={place}>{joined.columns[place]}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {joined.rows.map((row, line) => (
            <tr key={line}>
              {places.map((place) => (
                <td key={place}>{cell(row[place])}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Apart>
  );
}

const cell = (value: unknown) =>
  value === null || value === undefined ? "" : Array.isArray(value) ? value.join("; ") : String(value);
