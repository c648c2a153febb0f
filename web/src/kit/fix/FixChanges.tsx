import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Part } from "../parts";
import type { Fix, FixWork, Owner } from "./useFix";
import { Columns } from "../pieces";

type Props = { fix: Fix; work: FixWork; owners: Owner[] };

const DATES = { locked_start: "Locked to begin on", not_before: "Not before", deadline: "Done by" } as const;

/** Who does it, when, after what, and notes. */
export function FixChanges({ fix, work, owners }: Props) {
  const [draft, setDraft] = useState({
    owner: fix.owner ?? "",
    locked_start: fix.locked_start ?? "",
    not_before: fix.not_before ?? "",
    deadline: fix.deadline ?? "",
    hours: String(fix.hours),
    notes: fix.notes ?? "",
    own_after: fix.own_after.join(" "),
  });
  const set = (change: Partial<typeof draft>) => setDraft({ ...draft, ...change });
  return (
    <Part title="Who, when, and notes" level="h2">
      <Columns of="repeat(3, minmax(0, 1fr))" gap={1.25} pt={0.75}>
        <TextField select label="Who" value={draft.owner} onChange={(event) => set({ owner: event.target.value })}>
          <MenuItem value="">whoever is done first</MenuItem>
          {owners.map((one) => (
            <MenuItem key={one.name} value={one.name}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          type="number"
          label="Hours"
          value={draft.hours}
          onChange={(event) => set({ hours: event.target.value })}
        />
        <TextField
          label="After these fixes"
          placeholder="F12 F30"
          value={draft.own_after}
          onChange={(event) => set({ own_after: event.target.value })}
        />
        {Object.entries(DATES).map(([name, label]) => (
          <TextField
            key={name}
            type="date"
            label={label}
            value={draft[name as keyof typeof DATES]}
            onChange={(event) => set({ [name]: event.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
        ))}
      </Columns>
      <TextField
        multiline
        label="Notes"
        value={draft.notes}
        onChange={(event) => set({ notes: event.target.value })}
        sx={{ mt: 1.25 }}
      />
      <Button
        variant="outlined"
        sx={{ mt: 1 }}
        disabled={work.change.isPending}
        onClick={() =>
          work.change.mutate({
            owner: draft.owner || null,
            locked_start: draft.locked_start || null,
            not_before: draft.not_before || null,
            deadline: draft.deadline || null,
            hours: Number(draft.hours),
            notes: draft.notes || null,
            own_after: draft.own_after.split(/[\s,]+/).filter(Boolean),
          })
        }
      >
        Keep these
      </Button>
    </Part>
  );
}
