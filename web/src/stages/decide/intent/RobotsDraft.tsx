import Stack from "@mui/material/Stack";
import { Apart, Inline, Columns, PlainList } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { type Crawl, type Schemas } from "../../../api/client";
import { counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Sign } from "../../../kit/signs/Sign";
import { MONO } from "../../../theme";
import { Changed, Difference } from "./RobotsChanges";
import { RobotsNow } from "./RobotsNow";
import { useRobotsDraft } from "./useRobotsDraft";
import { useDraft } from "./useDraft";

type Draft = Schemas["RobotsDraft"];

/**
 * A robots.txt as it might be: what each line means, how it differs from the file that is there, and what it would
 * change.
 */
export function RobotsDraft({ site, crawl }: { site: number; crawl: Crawl }) {
  const { search, change, origins } = useRobotsDraft({ crawl });
  if (origins.state !== "ready") return <Unready screen={origins} />;
  const start = origins.data.find((one) => one.origin === search.get("origin")) ?? origins.data[0];
  if (!start) return <Apart px={2.5}>The crawl met no robots.txt.</Apart>;
  return (
    <Box sx={{ px: 2.5, overflow: "auto" }}>
      <TextField
        select
        variant="standard"
        value={start.origin}
        onChange={(event) => change({ origin: event.target.value }, true)}
        sx={{ width: "auto", mb: 1 }}
        slotProps={{ htmlInput: { "aria-label": "Origin" } }}
      >
        {origins.data.map((one) => (
          <MenuItem key={one.origin} value={one.origin}>
            {one.origin}/robots.txt {one.draft ? "(with a draft)" : ""}
          </MenuItem>
        ))}
      </TextField>
      <Editor key={start.origin} site={site} crawl={crawl} origin={start.origin} />
    </Box>
  );
}

function Editor({ site, crawl, origin }: { site: number; crawl: Crawl; origin: string }) {
  const { text, setText, decide, trial } = useDraft({ site, crawl, origin });
  if (trial.state !== "ready") return <Unready screen={trial} />;
  const draft = trial.data;
  return (
    <Columns of="minmax(0, 4fr) minmax(0, 4fr) minmax(0, 4fr)" across={3}>
      <Part level="h2" title="Draft">
        <TextField
          multiline
          label="Draft of robots.txt"
          minRows={14}
          value={text ?? draft.text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{
            htmlInput: { style: { fontFamily: MONO, fontSize: 12.5 } },
          }}
        />
        <Inline mt={1}>
          <Button
            variant="contained"
            disabled={text === null || decide.isPending}
            onClick={() =>
              decide.mutate(
                { kind: "robots", wishes: { [origin]: { text: text ?? "" } } },
                { onSuccess: () => setText(null) },
              )
            }
          >
            Keep the draft
          </Button>
          <Button onClick={() => setText(draft.live ?? "")}>Begin with the file</Button>
        </Inline>
        {decide.error && <Box role="alert">{decide.error.message}</Box>}
      </Part>
      <Part level="h2" title="What it means">
        <Meaning draft={draft} />
      </Part>
      <Stack spacing={2}>
        <Part level="h2" title={`For ${draft.agent}, of all URLs known`}>
          <Hidden draft={draft} />
          <Changed what="become blocked" change={draft.shut} />
          <Changed what="become allowed" change={draft.freed} />
        </Part>
        <Part level="h2" title="Against the file that is there">
          <RobotsNow key={origin} crawl={crawl} origin={origin} use={setText} />
          <Difference difference={draft.difference} />
        </Part>
      </Stack>
    </Columns>
  );
}

/** A noindex behind a block is never seen: first the noindex, and the block when the index has let the page go. */
function Hidden({ draft }: { draft: Draft }) {
  const { noindex, to_keep_out } = draft.hidden;
  if (noindex + to_keep_out === 0) return null;
  return (
    <Box role="alert" sx={{ display: "flex", gap: 0.75, mb: 1, color: "rust" }}>
      <Sign state="stops" label="a noindex is hidden" />
      <span>
        {noindex > 0 && `It hides the noindex of ${counted(noindex, "page")}. `}
        {to_keep_out > 0 && `${counted(to_keep_out, "page")} that should be kept out could not say noindex any more. `}
        Write the noindex first, and block the pages when the index has let them go.
      </span>
    </Box>
  );
}

function Meaning({ draft }: { draft: Draft }) {
  return (
    <PlainList component="ol">
      {draft.lines
        .filter((line) => line.meaning ?? line.flaw)
        .map((line) => (
          <Box component="li" key={line.number} sx={{ mb: 0.75, overflowWrap: "anywhere" }}>
            <Box component="span" sx={{ fontFamily: MONO, fontSize: 12, color: "text.secondary" }}>
              {line.number} {line.text.trim()}
            </Box>
            <Box sx={{ color: line.flaw ? "rust" : undefined }}>
              {line.flaw ? `No crawler reads this: ${line.flaw}.` : line.meaning}
            </Box>
          </Box>
        ))}
    </PlainList>
  );
}
