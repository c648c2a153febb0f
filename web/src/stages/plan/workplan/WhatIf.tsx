import Stack from "@mui/material/Stack";
import { Inline } from "../../../kit/pieces";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { wishOf, type Case } from "./wishes";
import type { Lanes, Wish } from "./useLanes";

type Props = { plan: Lanes; choose: (wish: Omit<Wish, "start">) => void };

const CASES: { name: Case["what"]; label: string }[] = [
  { name: "away", label: "Somebody is away" },
  { name: "freeze", label: "Nobody works for some days" },
  { name: "hours", label: "Somebody has other hours" },
];

/** One thing that could be otherwise. */
export function WhatIf({ plan, choose }: Props) {
  const [one, setOne] = useState<Case>({
    what: "away",
    owner: plan.owners[0]?.name ?? "",
    from: "",
    to: "",
    hours: "",
  });
  const set = (change: Partial<Case>) => {
    const next = { ...one, ...change };
    setOne(next);
    choose(wishOf(next, plan));
  };
  return (
    <Stack spacing={2}>
      <TextField
        select
        label="What"
        value={one.what}
        onChange={(event) => set({ what: event.target.value as Case["what"] })}
      >
        {CASES.map((choice) => (
          <MenuItem key={choice.name} value={choice.name}>
            {choice.label}
          </MenuItem>
        ))}
      </TextField>
      {one.what !== "freeze" && (
        <TextField select label="Who" value={one.owner} onChange={(event) => set({ owner: event.target.value })}>
          {plan.owners.map((owner) => (
            <MenuItem key={owner.name} value={owner.name}>
              {owner.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {one.what === "hours" ? (
        <TextField
          type="number"
          label="Hours a day"
          value={one.hours}
          onChange={(event) => set({ hours: event.target.value })}
        />
      ) : (
        <Inline gap={2} align="stretch">
          {(["from", "to"] as const).map((end) => (
            <TextField
              key={end}
              type="date"
              label={end === "from" ? "From" : "To"}
              value={one[end]}
              onChange={(event) => set({ [end]: event.target.value })}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          ))}
        </Inline>
      )}
    </Stack>
  );
}
