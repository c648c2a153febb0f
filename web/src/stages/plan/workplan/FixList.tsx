import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import { count, day } from "../../../kit/format";
import { LinkButton } from "../../../kit/LinkButton";
import { Inline, Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { stateLabel } from "../../../kit/fix/states";
import type { FixRow, useWorkplan } from "./useWorkplan";

const SETTLED = new Set(["proved", "left", "claimed"]);

/** A row a fix; the bar tells its benefit an hour against the best one. */
export function FixList({ fixes, work }: { fixes: FixRow[]; work: ReturnType<typeof useWorkplan> }) {
  const most = Math.max(1, ...fixes.map(worth));
  return (
    <Roomy
      label="Fixes"
      columns={[
        "",
        "Fix",
        "What is to be done, and why",
        "Benefit",
        "Hours",
        "Benefit an hour",
        "URLs",
        "After",
        "Who",
        "When",
        "State",
      ]}
    >
      {fixes.map((fix) => (
        <tr key={fix.id}>
          <td>
            <Checkbox
              size="small"
              sx={{ p: 0 }}
              disabled={SETTLED.has(fix.state)}
              checked={work.chosen.includes(fix.id)}
              onChange={(_, on) => work.pick(fix.id, on)}
              slotProps={{ input: { "aria-label": `Choose ${fix.id}` } }}
            />
          </td>
          <td>{fix.id}</td>
          <td>
            <LinkButton act={() => work.openFix(fix.id)}>{fix.title}</LinkButton>
            <Quiet small>{fix.reason}</Quiet>
          </td>
          <td>{fix.benefit.toFixed(1)}</td>
          <td>{fix.hours}</td>
          <Box component="td" sx={{ width: 120 }}>
            <Inline gap={0.75}>
              <Box sx={{ width: `${70 * Math.sqrt(worth(fix) / most)}px`, height: 9, bgcolor: "moss" }} />
              <Quiet component="span" small>
                {count(Math.round(worth(fix)))}
              </Quiet>
            </Inline>
          </Box>
          <td>{count(fix.url_count)}</td>
          <td>
            {fix.after.length > 3
              ? `${fix.after.slice(0, 2).join(", ")} and ${fix.after.length - 2} more`
              : fix.after.join(", ")}
          </td>
          <td>{fix.owner ?? "–"}</td>
          <td style={{ whiteSpace: "nowrap" }}>{when(fix)}</td>
          <td>{stateLabel(fix.state)}</td>
        </tr>
      ))}
    </Roomy>
  );
}

const worth = (fix: FixRow) => fix.benefit / Math.max(fix.hours, 0.01);

function when({ start, finish, deadline }: FixRow) {
  if (!start || !finish) return deadline ? `by ${day(deadline)}` : "–";
  return start === finish ? day(start) : `${day(start)} to ${day(finish)}`;
}
