import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import LinearProgress from "@mui/material/LinearProgress";
import { useState } from "react";
import { Cancelled, type Task } from "../../../api/tasks";
import { Quiet } from "../../../kit/pieces";
import { Difference } from "./Difference";
import { ownersOf, ownersText } from "./owners";
import { WhatIf } from "./WhatIf";
import { type LanesWork, type Wish } from "./useLanes";

type Props = { work: LanesWork; start: string; what: "lay out" | "what if"; close: () => void };

const LABELS = { "lay out": "Lay the fixes out", "what if": "What if …" };

/** A plan that is looked at before it is kept: by those who work here, or with somebody away, a freeze, other hours. */
export function PlanDialog({ work, start, what, close }: Props) {
  const plan = work.lanes.state === "ready" ? work.lanes.data : undefined;
  const [day, setDay] = useState(start);
  const [text, setText] = useState(ownersText(plan?.owners ?? []));
  const [wish, setWish] = useState<Omit<Wish, "start">>({});
  const given = ownersOf(text, plan?.owners ?? []);
  const asked: Wish = what === "lay out" ? { start: day, owners: given ?? [] } : { start: day, ...wish };
  const ready = day !== "" && (what === "what if" ? Object.keys(wish).length > 0 : (given?.length ?? 0) > 0);
  const told = work.attempt.data;
  const error = work.attempt.error ?? work.keep.error;
  const change = (act: () => void) => {
    work.attempt.reset();
    act();
  };
  return (
    <Dialog open onClose={close} fullWidth maxWidth={told ? "md" : "xs"}>
      <DialogTitle>{LABELS[what]}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 2 }}>
        <TextField
          type="date"
          label="First day"
          value={day}
          onChange={(event) => change(() => setDay(event.target.value))}
          sx={{ mt: 1 }}
          slotProps={{ inputLabel: { shrink: true } }}
        />
        {what === "lay out" ? (
          <TextField
            multiline
            minRows={3}
            label="Who works, and hours a day"
            placeholder={"Ines 6\nTomas 4"}
            value={text}
            error={given === null}
            helperText={given === null ? "A line each: a name, then hours from 0.01 to 24" : "A line each"}
            onChange={(event) => change(() => setText(event.target.value))}
          />
        ) : (
          plan && <WhatIf plan={plan} choose={(next) => change(() => setWish(next))} />
        )}
        {!told && (
          <Quiet>The largest benefit comes earliest; what is locked stays. Nothing moves before you keep it.</Quiet>
        )}
        {error && !(error instanceof Cancelled) && <Alert severity="error">{error.message}</Alert>}
        {work.running && <AtWork task={work.running} />}
        {told && <Difference told={told} />}
      </DialogContent>
      <DialogActions>
        <Box sx={{ flex: 1 }} />
        {work.running ? (
          <Button onClick={() => void work.cancel()}>Stop looking</Button>
        ) : (
          <Button onClick={close}>{told ? "Drop it" : "Cancel"}</Button>
        )}
        {told ? (
          <Button
            variant="contained"
            disabled={work.keep.isPending}
            onClick={() => work.keep.mutate(asked, { onSuccess: close })}
          >
            {work.keep.isPending ? "Keeping …" : "Keep it"}
          </Button>
        ) : (
          <Button
            variant="contained"
            disabled={!ready || work.attempt.isPending}
            onClick={() => work.attempt.mutate(asked)}
          >
            {work.attempt.isPending ? "At work …" : "See what it changes"}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}

/** How far it is: waiting for a worker, or so much of the time that a better plan is looked for. */
function AtWork({ task }: { task: Task }) {
  const share = task.total ? (100 * (task.done ?? 0)) / task.total : undefined;
  return (
    <Box role="status">
      <Quiet small>{task.state === "waiting" ? "Waiting for a worker …" : "Looking for the best order …"}</Quiet>
      <LinearProgress
        aria-label="How far"
        variant={share === undefined ? "indeterminate" : "determinate"}
        value={share}
      />
    </Box>
  );
}
