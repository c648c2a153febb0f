import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { Owner } from "./useLanes";

const DAYS = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;
const NAMES = { mon: "Mo", tue: "Tu", wed: "We", thu: "Th", fri: "Fr", sat: "Sa", sun: "Su" };

/** On which days of the week somebody works. */
export const Days = ({ owner, change }: { owner: Owner; change: (days: NonNullable<Owner["days"]>) => void }) => (
  <ToggleButtonGroup
    size="small"
    aria-label={`Days of ${owner.name}`}
    value={owner.days ?? DAYS.slice(0, 5)}
    onChange={(_, days: NonNullable<Owner["days"]>) => change(days)}
  >
    {DAYS.map((day) => (
      <ToggleButton key={day} value={day} sx={{ px: 0.75, py: 0.25, textTransform: "none" }}>
        {NAMES[day]}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
);
