import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Typography from "@mui/material/Typography";
import { day, moment } from "../format";
import { Part } from "../parts";
import { Quiet } from "../pieces";
import { Sheet } from "../Sheet";
import { Unready } from "../Unready";
import { Conditions } from "./Conditions";
import { FixActs } from "./FixActs";
import { FixChanges } from "./FixChanges";
import { FixFaults } from "./FixFaults";
import { FixTexts } from "./FixTexts";
import { type Fix, type Owner, useFix } from "./useFix";
import { stateLabel } from "./states";

type Props = { site: number; id: string | undefined; owners: Owner[]; close: () => void };

/** All of one fix: what is to be written, what must hold, who does it when, and what became of it so far. */
export function FixSheet({ site, id, owners, close }: Props) {
  return (
    <Sheet label="Fix" open={id !== undefined} close={close}>
      {id !== undefined && <OneFix site={site} id={id} owners={owners} />}
    </Sheet>
  );
}

function OneFix({ site, id, owners }: { site: number; id: string; owners: Owner[] }) {
  const work = useFix(site, id);
  if (work.fix.state !== "ready") return <Unready screen={work.fix} />;
  const told = work.fix.data;
  const error = [work.change, work.become, work.claim, work.prove, work.apply, work.split, work.setAside].find(
    (one) => one.error,
  );
  return (
    <Stack spacing={2} sx={{ px: 2.5, py: 2 }}>
      <div>
        <Typography variant="h1">
          {told.id} {told.title}
        </Typography>
        <Quiet>
          {stateLabel(told.state)}: frees {told.benefit.toFixed(1)} in {told.hours} hours
          {told.start && `, ${day(told.start)}`}
          {told.owner && ` by ${told.owner}`}
          {told.after.length > 0 && `, after ${told.after.join(", ")}`}
          {told.deadline && `, to be done by ${day(told.deadline)}`}
        </Quiet>
        <div>{told.reason}</div>
      </div>
      {error && <Alert severity="error">{error.error?.message}</Alert>}
      <FixActs fix={told} work={work} />
      <FixTexts site={site} fix={told} />
      <Conditions fix={told} />
      <FixChanges key={told.id} fix={told} work={work} owners={owners} />
      <FixFaults fix={told} work={work} />
      <History history={told.history} />
    </Stack>
  );
}

const History = ({ history }: { history: Fix["history"] }) =>
  history.length === 0 ? null : (
    <Part title="What became of it" level="h2">
      {history.map((step) => (
        <Quiet key={`${step.at} ${step.state}`} small>
          {moment(step.at)}: {step.state}
          {step.by && ` by ${step.by}`}
          {step.why && `, ${step.why}`}
        </Quiet>
      ))}
    </Part>
  );
