import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import type { Column } from "./columns";

type Props<Row> = {
  all: Column<Row>[];
  shown: string[];
  choose: (fields: string[]) => void;
  /** Columns that are looked at together. */
  sets?: { name: string; fields: string[] }[];
};

/** Which columns are shown: a set of them, or one by one. */
export function ColumnChoice<Row>({ all, shown, choose, sets = [] }: Props<Row>) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const flip = (field: string) =>
    choose(shown.includes(field) ? shown.filter((one) => one !== field) : [...shown, field]);
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Columns
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)} slotProps={{ list: { dense: true } }}>
        {sets.map((set) => (
          <MenuItem key={set.name} onClick={() => choose(set.fields)} sx={{ fontWeight: 650 }}>
            {set.name}
          </MenuItem>
        ))}
        {sets.length > 0 && <Divider />}
        {all.map((column, index) => (
          <MenuItem
            key={column.field}
            role="menuitemcheckbox"
            aria-checked={shown.includes(column.field)}
            disabled={index === 0}
            onClick={() => flip(column.field)}
          >
            <Checkbox
              size="small"
              checked={shown.includes(column.field)}
              tabIndex={-1}
              sx={{ p: 0, mr: 1 }}
              disableRipple
              slotProps={{ input: { "aria-hidden": true } }}
            />
            {column.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
