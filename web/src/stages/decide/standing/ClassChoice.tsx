import MenuItem from "@mui/material/MenuItem";
import Select from "@mui/material/Select";
import type { LeftOutList, Row } from "./useStanding";

type Props = {
  list: LeftOutList;
  label: string;
  value: string;
  disabled?: boolean;
  empty?: string;
  choose: (to: Row["class"]) => void;
};

/** One of the classes. */
export function ClassChoice({ list, label, value, disabled = false, empty, choose }: Props) {
  return (
    <Select
      size="small"
      variant="standard"
      displayEmpty={empty !== undefined}
      value={value}
      inputProps={{ "aria-label": label }}
      disabled={disabled}
      onChange={(event) => event.target.value && choose(event.target.value as Row["class"])}
      sx={{ fontSize: 12.5, maxWidth: 190 }}
    >
      {empty !== undefined && <MenuItem value="">{empty}</MenuItem>}
      {list.trays
        .filter((tray) => tray.class !== null)
        .map((tray) => (
          <MenuItem key={tray.class} value={tray.class ?? ""}>
            {tray.label}
          </MenuItem>
        ))}
    </Select>
  );
}
