import Alert from "@mui/material/Alert";
import { count, counted, day } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { Quiet } from "../../../kit/pieces";
import { ROLES } from "./Roles";
import type { LaidOut } from "./useLanes";

const MOST = 40;

/** What a plan would change, what worth most first. */
export function Difference({ told }: { told: LaidOut }) {
  const well = told.late.length === 0 && told.impossible.length === 0 && told.without_owner.length === 0;
  return (
    <section aria-label="What it changes">
      <Alert severity={well ? "success" : "warning"} variant="outlined" sx={{ mb: 1.5 }}>
        {counted(told.moves.length, "fix moves", "fixes move")}
        {told.gap !== null && `; no order can free more than ${told.gap} % sooner`}
        {told.sooner !== null && `; ${sooner(told.sooner)}`}.
        {told.late.map((one) => ` ${one.id} is done ${one.finish}, after its deadline ${one.deadline}.`)}
        {withoutOwner(told)}
        {told.impossible.map((one) => ` ${one.id} can’t be placed: ${one.why}.`)}
      </Alert>
      <Plain label="Moves" columns={[{ name: "Fix" }, { name: "Now", width: 210 }, { name: "Then", width: 210 }]}>
        {told.moves.slice(0, MOST).map((one) => (
          <tr key={one.id}>
            <td>
              {one.id} {one.title}
            </td>
            <td>{when(one.owner_now, one.start_now, one.finish_now)}</td>
            <td>{when(one.owner, one.start, one.finish)}</td>
          </tr>
        ))}
      </Plain>
      {told.moves.length > MOST && <Quiet small>and {count(told.moves.length - MOST)} more</Quiet>}
    </section>
  );
}

/** A sentence a role that nobody has. */
const withoutOwner = ({ without_owner: left }: LaidOut) =>
  [...new Set(left.map((one) => one.role))].map((role) => {
    const ids = left.filter((one) => one.role === role).map((one) => one.id);
    const told = `${counted(ids.length, "fix isn’t", "fixes aren’t")} laid out: ${ids.join(", ")}`;
    return ` Nobody has the role ${ROLES[role].toLowerCase()}, so ${told}.`;
  });

const sooner = (value: number) =>
  value === 0
    ? "as much is free as early as now"
    : `${count(Math.abs(Math.round(value)))} benefit-days are free ${value > 0 ? "sooner" : "later"} than now`;

function when(owner: string | null, start: string | null, finish: string | null) {
  if (!start || !finish) return "no day";
  return `${start === finish ? day(start) : `${day(start)} to ${day(finish)}`}${owner ? `, ${owner}` : ""}`;
}
