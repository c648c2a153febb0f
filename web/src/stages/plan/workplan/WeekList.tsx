import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { day } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { Quiet, Scroll } from "../../../kit/pieces";
import { dayAfter, mondays } from "./days";
import type { Bar, Lanes } from "./useLanes";

type Props = { plan: Lanes; owner: string | undefined; setOwner: (name: string) => void };

const WEEK = 7;

/** What one person does week by week, to be printed. */
export function WeekList({ plan, owner, setOwner }: Props) {
  const who = owner ?? plan.owners[0]?.name ?? "";
  const bars = plan.bars.filter((bar) => bar.owner === who).sort((one, other) => one.begin - other.begin);
  const last = Math.max(0, ...bars.map((bar) => bar.end));
  const weeks = [...new Set([0, ...mondays(plan.start, last)])];
  return (
    <Scroll tabIndex={0} role="region" aria-label="Week by week">
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", py: 1, "@media print": { display: "none" } }}>
        <TextField
          select
          label="Who"
          value={who}
          onChange={(event) => setOwner(event.target.value)}
          sx={{ width: 240 }}
        >
          {plan.owners.map((one) => (
            <MenuItem key={one.name} value={one.name}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
      <Typography variant="h1">{who}</Typography>
      {bars.length === 0 && <Quiet>Nothing is laid out for {who || "anybody"}.</Quiet>}
      {weeks.map((first, place) => (
        <Week
          key={first}
          start={dayAfter(plan.start, first)}
          bars={bars.filter((bar) => bar.begin >= first && bar.begin < (weeks[place + 1] ?? first + WEEK))}
        />
      ))}
    </Scroll>
  );
}

function Week({ start, bars }: { start: string; bars: Bar[] }) {
  if (bars.length === 0) return null;
  const hours = bars.reduce((sum, bar) => sum + bar.hours, 0);
  return (
    <Box component="section" aria-label={`Week of ${start}`} sx={{ mt: 2, breakInside: "avoid", maxWidth: 900 }}>
      <Typography variant="h2">
        Week of {day(start)}: {hours.toFixed(1)} hours
      </Typography>
      <Plain
        label={`Week of ${start}`}
        columns={[
          { name: "Day", width: 90 },
          { name: "Fix" },
          { name: "Hours", width: 70, right: true },
          { name: "Frees", width: 70, right: true },
          { name: "Done", width: 60 },
        ]}
      >
        {bars.map((bar) => (
          <tr key={bar.id}>
            <td>{day(bar.start)}</td>
            <td>
              {bar.id} {bar.title}
            </td>
            <td className="number">{bar.hours}</td>
            <td className="number">{bar.benefit.toFixed(1)}</td>
            <td>☐</td>
          </tr>
        ))}
      </Plain>
    </Box>
  );
}
