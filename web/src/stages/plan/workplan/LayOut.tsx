import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Quiet } from "../../../kit/pieces";
import { ownersOf, ownersText } from "./owners";
import type { useWorkplan, Workplan } from "./useWorkplan";

type Props = { owners: Workplan["owners"]; again: ReturnType<typeof useWorkplan>["again"] };

/** From when on, and by whom: then the fixes are laid out. */
export function LayOut({ owners, again }: Props) {
  const [open, setOpen] = useState(false);
  const [start, setStart] = useState(() => new Date().toISOString().slice(0, 10));
  const [text, setText] = useState("");
  const given = ownersOf(text);
  return (
    <>
      <Button
        variant="contained"
        disabled={again.isPending}
        onClick={() => {
          setText(ownersText(owners));
          setOpen(true);
        }}
      >
        {again.isPending ? "At work …" : "Lay out"}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth maxWidth="xs">
        <DialogTitle>Lay the fixes out</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 2 }}>
          <TextField
            type="date"
            label="First day"
            value={start}
            onChange={(event) => setStart(event.target.value)}
            sx={{ mt: 1 }}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <TextField
            multiline
            minRows={3}
            label="Who works, and hours a day"
            placeholder={"Ines 6\nTomas 4"}
            value={text}
            error={given === null}
            helperText={given === null ? "A line each: a name, then hours from 0.01 to 24" : "A line each"}
            onChange={(event) => setText(event.target.value)}
          />
          <Quiet>The largest benefit comes earliest. What is handed over, claimed or locked stays where it is.</Quiet>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Cancel</Button>
          <Button
            variant="contained"
            disabled={given === null || Object.keys(given).length === 0 || start === ""}
            onClick={() => {
              if (given) again.mutate({ start, owners: given });
              setOpen(false);
            }}
          >
            Lay out
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
