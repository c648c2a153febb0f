import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";
import { TABLES } from "../api/formats";

type Props = {
  /** The address of the file without its ending. */
  path: string;
  query?: Record<string, string | undefined>;
  label?: string;
};

/** What is shown, as a file in one of the formats: these conditions, this order, these columns. */
export function ExportMenu({ path, query = {}, label: shown = "Export" }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const given = Object.entries(query).filter((pair): pair is [string, string] => pair[1] !== undefined);
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        {shown}
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)} slotProps={{ list: { dense: true } }}>
        {TABLES.map(({ name, label }) => (
          <MenuItem
            key={name}
            component="a"
            href={`/api/${path}.${name}?${new URLSearchParams(given)}`}
            download
            onClick={() => setAnchor(null)}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
