import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Part } from "../../../kit/parts";
import { Inline, Columns, Quiet } from "../../../kit/pieces";
import { Sheet } from "../../../kit/Sheet";
import { WORK } from "./efforts";
import { Days } from "./Days";
import { Roles } from "./Roles";
import type { Lanes, LanesWork, Owner } from "./useLanes";

type Props = { work: LanesWork; open: boolean; close: () => void };

/** Who works on which days, when nobody does, and how long fixes take. */
export function WhoAndWhen({ work, open, close }: Props) {
  return (
    <Sheet label="Who works, and when" open={open} close={close}>
      {open && work.lanes.state === "ready" && <Form plan={work.lanes.data} work={work} close={close} />}
    </Sheet>
  );
}

function Form({ plan, work, close }: { plan: Lanes; work: LanesWork; close: () => void }) {
  const [owners, setOwners] = useState(plan.owners);
  const [freezes, setFreezes] = useState(plan.freezes);
  const [effort, setEffort] = useState(plan.effort);
  const put = (place: number, change: Partial<Owner>) =>
    setOwners(owners.map((one, at) => (at === place ? { ...one, ...change } : one)));
  return (
    <Stack spacing={2.5} sx={{ px: 2.5, py: 2 }}>
      <Typography variant="h1">Who works, and when</Typography>
      {work.settings.error && <Alert severity="error">{work.settings.error.message}</Alert>}
      <Part title="Who works" level="h2">
        {owners.map((owner, place) => (
          <Inline key={place} mb={1}>
            <TextField label="Name" value={owner.name} onChange={(event) => put(place, { name: event.target.value })} />
            <TextField
              type="number"
              label="Hours a day"
              value={owner.hours_per_day}
              sx={{ width: 120 }}
              onChange={(event) => put(place, { hours_per_day: Number(event.target.value) })}
            />
            <Roles owner={owner} change={(roles) => put(place, { roles })} />
            <Days owner={owner} change={(days) => put(place, { days })} />
            <TextField
              label="Days off"
              placeholder="2027-01-04 2027-01-05"
              value={(owner.off ?? []).join(" ")}
              onChange={(event) => put(place, { off: event.target.value.split(/\s+/).filter(Boolean) })}
            />
            <Button onClick={() => setOwners(owners.filter((_, at) => at !== place))}>Take out</Button>
          </Inline>
        ))}
        <Button variant="outlined" onClick={() => setOwners([...owners, { name: "", hours_per_day: 6 }])}>
          Add somebody
        </Button>
      </Part>
      <Part title="When nobody works" level="h2">
        {freezes.map((freeze, place) => (
          <Inline key={place} mb={1}>
            {(["from", "to", "name"] as const).map((field) => (
              <TextField
                key={field}
                type={field === "name" ? "text" : "date"}
                label={{ from: "From", to: "To", name: "Why" }[field]}
                value={freeze[field] ?? ""}
                slotProps={{ inputLabel: { shrink: true } }}
                onChange={(event) =>
                  setFreezes(freezes.map((one, at) => (at === place ? { ...one, [field]: event.target.value } : one)))
                }
              />
            ))}
            <Button onClick={() => setFreezes(freezes.filter((_, at) => at !== place))}>Take out</Button>
          </Inline>
        ))}
        <Button variant="outlined" onClick={() => setFreezes([...freezes, { from: "", to: "" }])}>
          Add days
        </Button>
      </Part>
      <Part title="Hours that fixes take" level="h2">
        <Columns of="repeat(3, minmax(0, 1fr))" gap={1.25} pt={0.5}>
          {Object.entries(effort).map(([name, hours]) => (
            <TextField
              key={name}
              type="number"
              label={WORK[name] ?? name}
              value={hours}
              onChange={(event) => setEffort({ ...effort, [name]: Number(event.target.value) })}
            />
          ))}
        </Columns>
      </Part>
      <Inline>
        <Button
          variant="contained"
          disabled={work.settings.isPending}
          onClick={() => work.settings.mutate({ owners, freezes, effort }, { onSuccess: close })}
        >
          Keep
        </Button>
        <Quiet>Lay the fixes out again for it to count.</Quiet>
      </Inline>
    </Stack>
  );
}
