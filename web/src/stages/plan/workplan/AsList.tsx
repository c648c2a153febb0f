import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { counted, moment } from "../../../kit/format";
import { Inline, Quiet, Scroll, Spacer, Whole } from "../../../kit/pieces";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { FixList } from "./FixList";
import { type State, STATES } from "../../../kit/fix/states";
import type { useWorkplan } from "./useWorkplan";

/** A row a fix, what frees most in an hour first. */
export function AsList({ work }: { work: ReturnType<typeof useWorkplan> }) {
  const { plan, state, choose, chosen, again, claim, join, hand } = work;
  if (plan.state !== "ready") return <Unready screen={plan} />;
  const { made_at, fixes, states } = plan.data;
  const hours = fixes.reduce((sum, one) => sum + one.hours, 0);
  const error = claim.error ?? join.error ?? hand.error;
  return (
    <Whole rows="auto minmax(0, 1fr)">
      <Inline gap={1.5} wrap px={2.5} pb={1}>
        <Toggles<State | "all">
          choices={[
            { name: "all", label: "To do" },
            ...STATES.filter((one) => states[one.name]).map((one) => ({
              name: one.name,
              label: `${one.label} ${states[one.name]}`,
            })),
          ]}
          value={state ?? "all"}
          choose={(name) => choose(name === "all" ? undefined : name)}
          choiceSx={{ py: 0.25, px: 1.25 }}
        />
        <Quiet component="span">
          {counted(fixes.length, "fix", "fixes")}, {hours.toFixed(1)} hours
        </Quiet>
        <Spacer />
        {chosen.length > 1 && (
          <Button onClick={() => join.mutate(chosen)} disabled={join.isPending}>
            Make one of {chosen.length}
          </Button>
        )}
        {chosen.length > 0 && (
          <>
            <Button onClick={() => hand.mutate({ ids: chosen, state: "handed over" })} disabled={hand.isPending}>
              Hand over
            </Button>
            <Button variant="outlined" onClick={() => claim.mutate(chosen)} disabled={claim.isPending}>
              Say that {chosen.length === 1 ? "it is" : `these ${chosen.length} are`} done
            </Button>
          </>
        )}
        <Quiet component="span">{made_at ? `of ${moment(made_at)}` : "none made yet"}</Quiet>
        <Button onClick={() => again.mutate({})} disabled={again.isPending}>
          Make them anew
        </Button>
      </Inline>
      <Scroll tabIndex={0} role="region" aria-label="Fixes">
        {error && <Alert severity="error">{error.message}</Alert>}
        {fixes.length === 0 ? (
          <Quiet>
            {made_at ? "Nothing is to be done here." : "Fixes are made of what the newest crawl found: make them anew."}
          </Quiet>
        ) : (
          <FixList fixes={fixes} work={work} />
        )}
      </Scroll>
    </Whole>
  );
}
