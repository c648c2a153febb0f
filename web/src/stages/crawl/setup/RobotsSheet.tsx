import Stack from "@mui/material/Stack";
import { Inline, Columns, Mono } from "../../../kit/pieces";
import { MONO } from "../../../theme";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { type Schemas, type Site } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { Sheet } from "../../../kit/Sheet";
import { Sign } from "../../../kit/signs/Sign";
import { useRobotsForm } from "./useRobotsForm";

const CODE = { htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: 12.5 } } };

type Trial = Schemas["RobotsTrial"];

/** Tries a robots.txt, a draft or the one that the site has now, against a list of URLs. */
export function RobotsSheet({ site }: { site: Site | undefined }) {
  const { search, change } = useAddress();
  const close = () => change({ sheet: undefined });
  return (
    <Sheet label="Try robots.txt" open={search.get("sheet") === "robots"} close={close}>
      <RobotsForm site={site} close={close} />
    </Sheet>
  );
}

function RobotsForm({ site, close }: { site: Site | undefined; close: () => void }) {
  const { text, setText, urls, setUrls, agent, setAgent, start, draft, live, answer, error } = useRobotsForm({
    site,
  });

  return (
    <Stack spacing={2} sx={{ px: 2.5, py: 2 }}>
      <Inline align="baseline">
        <Typography variant="h1" component="h2" sx={{ flex: 1 }}>
          Try robots.txt
        </Typography>
        <Button variant="outlined" onClick={close}>
          Close
        </Button>
      </Inline>
      <Columns of="minmax(0, 3fr) minmax(0, 2fr)" gap={2}>
        <TextField
          label="The file"
          multiline
          minRows={10}
          maxRows={16}
          value={text}
          onChange={(event) => setText(event.target.value)}
          helperText="A draft, or the file that the site has now. Nothing is changed on the site."
          slotProps={CODE}
        />
        <TextField
          label="URLs or paths"
          multiline
          minRows={10}
          maxRows={16}
          value={urls}
          onChange={(event) => setUrls(event.target.value)}
          helperText="One a line."
          slotProps={CODE}
        />
      </Columns>
      <Inline gap={1.5} align="start">
        <TextField
          label="Agent token"
          value={agent}
          onChange={(event) => setAgent(event.target.value)}
          sx={{ maxWidth: 220 }}
        />
        <Button variant="contained" disabled={draft.isPending} onClick={() => draft.mutate()}>
          Try this file
        </Button>
        <Button variant="outlined" disabled={!start || live.isPending} onClick={() => live.mutate()}>
          Fetch the live file and try it
        </Button>
      </Inline>
      {error && (
        <Alert severity="error" variant="outlined">
          {error.message}
        </Alert>
      )}
      {answer && <Result trial={answer} />}
    </Stack>
  );
}

function Result({ trial }: { trial: Trial }) {
  return (
    <Box>
      {trial.file && trial.file.text === null && (
        <Alert severity="info" variant="outlined" sx={{ mb: 1 }}>
          {trial.file.url}{" "}
          {trial.file.error ? `could not be had (${trial.file.error})` : `answers ${trial.file.status}`}:{" "}
          {trial.rows.some((row) => row.allowed) ? "there is no restriction." : "everything is disallowed."}
        </Alert>
      )}
      <Box
        component="table"
        aria-label="What the file says of each URL"
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          "& td, & th": { textAlign: "left", py: 0.5, pr: 2, borderBottom: 1, borderColor: "divider" },
        }}
      >
        <thead>
          <tr>
            <th scope="col">URL</th>
            <th scope="col">Says</th>
            <th scope="col">Deciding line</th>
          </tr>
        </thead>
        <tbody>
          {trial.rows.map((row, at) => (
            <tr key={`${at} ${row.url}`}>
              <Box component="td" sx={{ fontFamily: MONO, fontSize: 12.5, wordBreak: "break-all" }}>
                {row.url}
              </Box>
              <td>
                <Box component="span" sx={{ display: "inline-flex", gap: 0.75, alignItems: "center" }}>
                  <Sign
                    state={row.allowed ? "passes" : "stops"}
                    size={14}
                    label={row.allowed ? "allowed" : "disallowed"}
                  />
                  {row.allowed ? "allowed" : "disallowed"}
                </Box>
              </td>
              <Mono component="td" size={12.5}>
                {row.line === null ? "none" : `${row.line}: ${row.rule}`}
              </Mono>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
