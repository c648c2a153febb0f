import Stack from "@mui/material/Stack";
import { Clipped, Columns } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { counted } from "../../../kit/format";
import { MONO } from "../../../theme";
import { WhyNot } from "../../../kit/WhyNot";
import { useNewRoute, queryOf, Draft, EMPTY } from "./useNewRoute";
import { SiteUrl } from "../../../kit/SiteUrl";
const CODE = { fontFamily: MONO, fontSize: 12.5 } as const;
const QUERIES = { match: "belongs to the address", keep: "is passed on", drop: "is dropped" };

/** A route for one address or for all that a pattern matches, tried against all known URLs while it is written. */
export function NewRoute({ site }: { site: number }) {
  const { draft, setDraft, decide, wish, trial, change } = useNewRoute({ site });
  return (
    <Stack
      spacing={1.25}
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        decide.mutate({ kind: "route", wishes: { [draft.from.trim()]: wish } }, { onSuccess: () => setDraft(EMPTY) });
      }}
    >
      <TextField
        label="Address or pattern"
        placeholder="/feed/*"
        helperText="A path is one of the site’s main host."
        value={draft.from}
        onChange={(event) => change({ from: event.target.value })}
        slotProps={{ htmlInput: { style: CODE } }}
      />
      <TextField
        label="Target"
        disabled={draft.status === 410}
        placeholder="/$1"
        value={draft.status === 410 ? "" : draft.to}
        onChange={(event) => change({ to: event.target.value })}
        slotProps={{ htmlInput: { style: CODE } }}
      />
      <Columns of="1fr 2fr" gap={1}>
        <TextField
          select
          label="Status"
          value={draft.status}
          onChange={(event) => change({ status: Number(event.target.value) })}
        >
          {[301, 308, 302, 307, 410].map((status) => (
            <MenuItem key={status} value={status}>
              {status}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="A query"
          value={queryOf(draft)}
          onChange={(event) => change({ query: event.target.value as Draft["query"] })}
        >
          {Object.entries(QUERIES).map(([name, text]) => (
            <MenuItem key={name} value={name}>
              {text}
            </MenuItem>
          ))}
        </TextField>
      </Columns>
      <WhyNot error={trial.error} sx={{ fontSize: 12 }} />
      {trial.data && (
        <Box sx={{ fontSize: 12 }} role="status">
          It takes {counted(trial.data.total, "known URL")}
          {trial.data.living > 0 && (
            <strong>, {counted(trial.data.living, "page that lives", "pages that live")} among them</strong>
          )}
          .
          {trial.data.rows.slice(0, 5).map((row) => (
            <Clipped key={row.url}>
              <SiteUrl url={row.url} size={12} /> → {row.target ? <SiteUrl url={row.target} size={12} /> : "gone"}
              {row.target !== null && row.target_status !== 200 && (
                <strong> {row.target_status === null ? "(not known)" : `(answers ${row.target_status})`}</strong>
              )}
            </Clipped>
          ))}
        </Box>
      )}
      <WhyNot error={decide.error} />
      <Button type="submit" variant="contained" disabled={!trial.data || trial.isFetching || decide.isPending}>
        Add it to the map
      </Button>
    </Stack>
  );
}
