import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { counted, moment } from "../../../kit/format";
import { Quiet, Scroll, Spring } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { FixList } from "./FixList";
import { FixSheet } from "./FixSheet";
import { LayOut } from "./LayOut";
import { type State, STATES, useWorkplan } from "./useWorkplan";

/** What is to be done, what frees most in an hour first, with who does it when. */
export default function Workplan() {
  const work = useWorkplan();
  const { plan, state, choose, chosen, again, claim } = work;
  if (plan.state !== "ready") return <Unready screen={plan} />;
  const { made_at, fixes, states } = plan.data;
  const hours = fixes.reduce((sum, one) => sum + one.hours, 0);
  const benefit = fixes.reduce((sum, one) => sum + one.benefit, 0);
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateRows: "auto auto minmax(0, 1fr)" }}>
      <Title>Workplan</Title>
      <Box sx={{ px: 2.5, py: 1, display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
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
          {counted(fixes.length, "fix", "fixes")}, {hours.toFixed(1)} hours, benefit {benefit.toFixed(0)}
        </Quiet>
        <Spring />
        <Quiet component="span">{made_at ? `of ${moment(made_at)}` : "none made yet"}</Quiet>
        <Button onClick={() => again.mutate({})} disabled={again.isPending}>
          Make them anew
        </Button>
        {chosen.length > 0 && (
          <Button variant="outlined" onClick={() => claim.mutate(chosen)} disabled={claim.isPending}>
            Say that {chosen.length === 1 ? "it is" : `these ${chosen.length} are`} done
          </Button>
        )}
        <LayOut owners={plan.data.owners} again={again} />
      </Box>
      <Scroll tabIndex={0} role="region" aria-label="Fixes">
        {(again.error ?? claim.error) && <Alert severity="error">{(again.error ?? claim.error)?.message}</Alert>}
        {again.data && again.data.gap !== null && <LaidOut told={again.data} />}
        {fixes.length === 0 ? (
          <Quiet>
            {made_at ? "Nothing is to be done here." : "Fixes are made of what the newest crawl found: make them anew."}
          </Quiet>
        ) : (
          <FixList fixes={fixes} work={work} />
        )}
      </Scroll>
      <FixSheet site={work.site} id={work.open} close={() => work.openFix(undefined)} />
    </Box>
  );
}

type Told = NonNullable<ReturnType<typeof useWorkplan>["again"]["data"]>;

function LaidOut({ told }: { told: Told }) {
  const well = told.late.length === 0 && told.impossible.length === 0;
  return (
    <Alert severity={well ? "success" : "warning"} variant="outlined" sx={{ mb: 1 }}>
      Laid out; no plan can free more than {told.gap} % sooner.
      {told.late.map((one) => ` ${one.id} is done ${one.finish}, after its deadline ${one.deadline}.`)}
      {told.impossible.map((one) => ` ${one.id} can’t be placed: ${one.why}.`)}
    </Alert>
  );
}
