import { Inline, Figure, PlainList, Quiet, Wrong } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { count, counted } from "../../../kit/format";
import { MONO } from "../../../theme";
import type { Draft, useReading } from "./useReading";
import { WhyNot } from "../../../kit/WhyNot";
import { SiteUrl } from "../../../kit/SiteUrl";

type ListProps = {
  reading: ReturnType<typeof useReading>;
  chosen: number | null;
  choose: (key: number | null) => void;
};

const INTENTS = { "": "as the setup says", index: "to be indexed", keep_out: "to be kept out", undecided: "undecided" };
const GRID = {
  display: "grid",
  gridTemplateColumns: "150px minmax(0, 1fr) 138px 76px 148px",
  columnGap: 1,
  alignItems: "center",
} as const;

/** The groups with how many pages each would take as they stand, and the folders that share the rest. */
export function GroupList({ reading, chosen, choose }: ListProps) {
  const { groups, trial } = reading;
  const found = trial.data?.groups ?? [];
  const rest = found.filter((one) => !one.given);
  const taken = (draft: Draft) => found.find((one) => one.given && one.name === draft.name);
  return (
    <>
      {groups.length > 0 && (
        <Box aria-hidden sx={{ ...GRID, fontSize: 12, color: "text.secondary", pb: 0.5 }}>
          <span>Name</span>
          <span>Pattern on the URL</span>
          <span>Its pages are</span>
          <Figure component="span">Pages</Figure>
          <span />
        </Box>
      )}
      <PlainList component="ol">
        {groups.map((draft, place) => (
          <Row
            key={draft.key}
            draft={draft}
            place={place}
            last={place === groups.length - 1}
            pages={taken(draft)?.pages}
            samples={taken(draft)?.samples ?? []}
            chosen={chosen === draft.key}
            choose={choose}
            reading={reading}
          />
        ))}
      </PlainList>
      <Inline align="stretch" my={1}>
        <Button variant="outlined" onClick={reading.add}>
          Add a group
        </Button>
        <Button variant="outlined" disabled={reading.propose.isPending} onClick={() => reading.propose.mutate()}>
          {groups.length === 0 ? "Propose groups" : "Replace by proposed ones"}
        </Button>
      </Inline>
      <WhyNot error={trial.error} sx={{ mb: 1 }} />
      {trial.data && (
        <Quiet>
          {rest.length === 0
            ? "Every page is in one of these groups."
            : `${counted(
                rest.reduce((sum, one) => sum + one.pages, 0),
                "page",
              )} that no pattern fits ${
                rest.length === 1 ? "are in the group of their folder" : "are in groups of their first folders"
              }:`}
          {trial.data.sampled && " (told in proportion to a sample)"}
        </Quiet>
      )}
      <Box component="ul" sx={{ listStyle: "none", m: 0, mt: 0.5, p: 0, columnCount: 2, columnGap: 4 }}>
        {rest.slice(0, 40).map((one) => (
          <Inline component="li" key={one.name} gap={2} align="stretch" between>
            <Box
              component="span"
              sx={{ fontFamily: MONO, fontSize: 12.5, overflow: "hidden", textOverflow: "ellipsis" }}
            >
              {one.name}
            </Box>
            {count(one.pages)}
          </Inline>
        ))}
      </Box>
    </>
  );
}

type RowProps = {
  draft: Draft;
  place: number;
  last: boolean;
  pages: number | undefined;
  samples: string[];
  chosen: boolean;
  choose: (key: number | null) => void;
  reading: ReturnType<typeof useReading>;
};

function Row({ draft, place, last, pages, samples, chosen, choose, reading }: RowProps) {
  const problem = reading.problems.filter((one) => one.field === `groups.${place}`).map((one) => one.message);
  const limits = Object.keys(draft.thresholds).length;
  const label = draft.name || `group ${place + 1}`;
  return (
    <Box
      component="li"
      sx={{ borderBottom: 1, borderColor: "divider", py: 0.5, bgcolor: chosen ? "background.paper" : undefined }}
    >
      <Box sx={GRID}>
        <Field label={`Name of ${label}`} value={draft.name} set={(name) => reading.change(draft.key, { name })} />
        <Field
          label={`Pattern of ${label}`}
          mono
          value={draft.pattern}
          lines
          hint={draft.template ? "told by how its pages are built" : ""}
          set={(pattern) => reading.change(draft.key, { pattern })}
        />
        <TextField
          select
          size="small"
          variant="standard"
          value={draft.intent}
          onChange={(event) => reading.change(draft.key, { intent: event.target.value })}
          slotProps={{ select: { displayEmpty: true }, htmlInput: { "aria-label": `What the pages of ${label} are` } }}
        >
          {Object.entries(INTENTS).map(([value, name]) => (
            <MenuItem key={value} value={value}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <Figure>{pages === undefined ? "" : count(pages)}</Figure>
        <Box sx={{ display: "flex", alignItems: "center", justifyContent: "flex-end" }}>
          <Button
            size="small"
            aria-pressed={chosen}
            onClick={() => choose(chosen ? null : draft.key)}
            sx={{ minWidth: 0 }}
          >
            {limits === 0 ? "Limits" : counted(limits, "limit")}
          </Button>
          <Move label={`Move ${label} up`} disabled={place === 0} sign="↑" act={() => reading.move(draft.key, -1)} />
          <Move label={`Move ${label} down`} disabled={last} sign="↓" act={() => reading.move(draft.key, 1)} />
          <Move label={`Remove ${label}`} disabled={false} sign="×" act={() => reading.remove(draft.key)} />
        </Box>
      </Box>
      {problem.length > 0 && <Wrong small>{problem.join(" ")}</Wrong>}
      {chosen &&
        samples.map((url) => (
          <Box key={url}>
            <SiteUrl url={url} size={12} />
          </Box>
        ))}
    </Box>
  );
}

function Field({
  label,
  value,
  set,
  mono,
  lines,
  hint,
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  mono?: boolean;
  lines?: boolean;
  hint?: string;
}) {
  return (
    <TextField
      size="small"
      variant="standard"
      fullWidth
      multiline={lines ?? false}
      placeholder={hint ?? ""}
      value={value}
      onChange={(event) => set(event.target.value)}
      slotProps={{ htmlInput: { "aria-label": label, style: mono ? { fontFamily: MONO, fontSize: 12.5 } : {} } }}
    />
  );
}

function Move({ label, disabled, sign, act }: { label: string; disabled: boolean; sign: string; act: () => void }) {
  return (
    <IconButton
      size="small"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={act}
      sx={{ width: 26, height: 26, fontSize: 15 }}
    >
      {sign}
    </IconButton>
  );
}
