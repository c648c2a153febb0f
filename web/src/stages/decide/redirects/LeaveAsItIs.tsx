import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Popover from "@mui/material/Popover";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { counted } from "../../../kit/format";

type Props = { urls: string[]; disabled: boolean; leave: (why: string) => void };

/** Leaves lost addresses as they are, with why. */
export function LeaveAsItIs({ urls, disabled, leave }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [why, setWhy] = useState("");
  return (
    <>
      <Button disabled={disabled || urls.length === 0} onClick={(event) => setAnchor(event.currentTarget)}>
        Leave as {urls.length > 1 ? "they are" : "it is"}
      </Button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        <Box
          component="form"
          sx={{ p: 2, width: 320, display: "grid", gap: 1.5 }}
          onSubmit={(event) => {
            event.preventDefault();
            leave(why.trim());
            setAnchor(null);
            setWhy("");
          }}
        >
          <TextField label="Why" autoFocus value={why} onChange={(event) => setWhy(event.target.value)} />
          <Button type="submit" variant="contained">
            Leave {counted(urls.length, "address", "addresses")} as {urls.length > 1 ? "they are" : "it is"}
          </Button>
        </Box>
      </Popover>
    </>
  );
}
