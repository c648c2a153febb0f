import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { count, counted, day, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { Quiet } from "../../../kit/pieces";
import { Sheet } from "../../../kit/Sheet";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Unready } from "../../../kit/Unready";
import { useRules } from "../../../kit/useRules";
import { type Fix, useFix } from "./useWorkplan";

const MOST = 200;

/** All of one fix: what it clears, what each URL is worth in it, and what became of it so far. */
export function FixSheet({ site, id, close }: { site: number; id: string | undefined; close: () => void }) {
  return (
    <Sheet label="Fix" open={id !== undefined} close={close}>
      {id !== undefined && <OneFix site={site} id={id} />}
    </Sheet>
  );
}

function OneFix({ site, id }: { site: number; id: string }) {
  const fix = useFix(site, id);
  if (fix.state !== "ready") return <Unready screen={fix} />;
  const told = fix.data;
  return (
    <Box sx={{ px: 2.5, py: 2, display: "grid", gap: 2, gridTemplateColumns: "minmax(0, 1fr)" }}>
      <div>
        <Typography variant="h1">
          {told.id} {told.title}
        </Typography>
        <Quiet>
          {told.benefit.toFixed(1)} benefit in {told.hours} hours
          {told.start && `, ${day(told.start)}`}
          {told.owner && ` by ${told.owner}`}
          {told.after.length > 0 && `, after ${told.after.join(", ")}`}
          {told.deadline && `, to be done by ${day(told.deadline)}`}
        </Quiet>
      </div>
      <Clears faults={told.faults} />
      <Part title={`What it frees: ${counted(told.urls.length, "URL")}`} level="h2">
        <Plain
          label="What it frees"
          columns={[
            { name: "URL" },
            { name: "Importance", width: 90, right: true },
            { name: "Weight", width: 70, right: true },
            { name: "Share", width: 70, right: true },
          ]}
        >
          {told.urls.slice(0, MOST).map((one) => (
            <tr key={one.url}>
              <td>
                <SiteUrl url={one.url} />
              </td>
              <td className="number">{one.importance.toFixed(1)}</td>
              <td className="number">{one.grade}</td>
              <td className="number">{one.share}</td>
            </tr>
          ))}
        </Plain>
        {told.urls.length > MOST && <Quiet small>and {count(told.urls.length - MOST)} more</Quiet>}
      </Part>
      {told.history.length > 0 && (
        <Part title="What became of it" level="h2">
          {told.history.map((step) => (
            <Quiet key={`${step.at} ${step.state}`} small>
              {moment(step.at)}: {step.state}
              {step.by && ` by ${step.by}`}
              {step.why && `, ${step.why}`}
            </Quiet>
          ))}
        </Part>
      )}
    </Box>
  );
}

function Clears({ faults }: { faults: Fix["faults"] }) {
  const { title } = useRules();
  const times = new Map<string, number>();
  for (const fault of faults) times.set(fault.code, (times.get(fault.code) ?? 0) + 1);
  if (faults.length === 0) return null;
  return (
    <Part title={`What it clears: ${counted(faults.length, "fault")}`} level="h2">
      {[...times].map(([code, number]) => (
        <div key={code}>
          {title(code)}: {count(number)}
        </div>
      ))}
    </Part>
  );
}
