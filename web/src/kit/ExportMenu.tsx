import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useState } from "react";

const FORMATS = { csv: "CSV", xlsx: "Workbook (XLSX)", jsonl: "JSON Lines" };

type Props = {
  /** The address of the file without its ending. */
  path: string;
  query?: Record<string, string | undefined>;
  label?: string;
};

/** What is shown, as a file in one of the formats: these conditions, this order, these columns. */
export function ExportMenu({ path, query = {}, label = "Export" }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const given = Object.entries(query).filter((pair): pair is [string, string] => pair[1] !== undefined);
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        {label}
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)} slotProps={{ list: { dense: true } }}>
        {Object.entries(FORMATS).map(([ending, name]) => (
          <MenuItem
            key={ending}
            component="a"
            href={`/api/${path}.${ending}?${new URLSearchParams(given)}`}
            download
            onClick={() => setAnchor(null)}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
