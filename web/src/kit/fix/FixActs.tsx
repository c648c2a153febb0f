import { Inline } from "../pieces";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Fix, FixWork } from "./useFix";

const TO_DO = new Set<Fix["state"]>(["open", "planned", "partly", "not done", "returned"]);
const BACK = new Set<Fix["state"]>(["left", "handed over", "claimed"]);

/** What can be done with a fix where it stands. */
export function FixActs({ fix, work }: { fix: Fix; work: FixWork }) {
  const [leaving, setLeaving] = useState<string>();
  const { apply, become, claim, prove } = work;
  const claimable = TO_DO.has(fix.state) || fix.state === "handed over";
  return (
    <Inline wrap>
      {claimable && (
        <Button variant="contained" onClick={() => claim.mutate()} disabled={claim.isPending}>
          Say that it is done
        </Button>
      )}
      {fix.state !== "left" && (
        <Button
          variant={fix.state === "claimed" ? "contained" : "outlined"}
          onClick={() => prove.mutate()}
          disabled={prove.isPending}
        >
          {prove.isPending ? "Looking …" : "Look now whether it holds"}
        </Button>
      )}
      {fix.stand_in && claimable && (
        <Button onClick={() => apply.mutate()} disabled={apply.isPending}>
          {apply.isSuccess ? "Applied on the stand-in" : "Apply on the stand-in"}
        </Button>
      )}
      {TO_DO.has(fix.state) && (
        <Button onClick={() => become.mutate({ state: "handed over" })} disabled={become.isPending}>
          Hand over
        </Button>
      )}
      {BACK.has(fix.state) && (
        <Button onClick={() => become.mutate({ state: "open" })} disabled={become.isPending}>
          Take it up again
        </Button>
      )}
      {claimable && leaving === undefined && <Button onClick={() => setLeaving("")}>Leave it …</Button>}
      {leaving !== undefined && (
        <>
          <TextField
            label="Why it is left"
            value={leaving}
            onChange={(event) => setLeaving(event.target.value)}
            sx={{ width: 260 }}
          />
          <Button
            disabled={leaving.trim() === "" || become.isPending}
            onClick={() => become.mutate({ state: "left", why: leaving }, { onSuccess: () => setLeaving(undefined) })}
          >
            Leave it
          </Button>
        </>
      )}
    </Inline>
  );
}
