import { Inline, Columns } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import IconButton from "@mui/material/IconButton";
import MenuItem from "@mui/material/MenuItem";
import Popover from "@mui/material/Popover";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { COLUMNS } from "./columns";
import type { Mark, useMarks } from "./useMarks";

const NUMBERS = COLUMNS.filter((column) => column.kind === "number");
const nameOf = (field: string) => NUMBERS.find((column) => column.field === field)?.subject ?? field;

type Props = {
  marks: ReturnType<typeof useMarks>;
  /** The column that shall be marked, once somebody has asked for one. */
  asked: string | null;
  ask: (field: string | null) => void;
};

/** Marks cells beyond a limit without narrowing: those of the site, and one's own. */
export function Marks({ marks, asked, ask }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button ref={setAnchor} variant="outlined" aria-haspopup="dialog" onClick={() => ask("")}>
        Marks
      </Button>
      <Popover
        open={asked !== null && !!anchor}
        anchorEl={anchor}
        onClose={() => ask(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        <Box sx={{ p: 2, width: 340, display: "grid", gap: 1 }}>
          <FormControlLabel
            control={
              <Checkbox size="small" checked={marks.shown} onChange={(event) => marks.show(event.target.checked)} />
            }
            label="Mark cells beyond the site’s limits"
          />
          {marks.own.map((mark, place) => (
            <Inline key={`${mark.field} ${mark.op}`} gap={0}>
              {nameOf(mark.field)} {mark.op === "below" ? "below" : "at least"} {mark.value}
              <IconButton
                size="small"
                aria-label={`Drop the mark of ${nameOf(mark.field)}`}
                onClick={() => marks.setOwn(marks.own.filter((_, index) => index !== place))}
                sx={{ width: 22, height: 22, fontSize: 14 }}
              >
                ×
              </IconButton>
            </Inline>
          ))}
          <Own key={asked} first={asked ?? ""} add={(mark) => marks.setOwn([...marks.own, mark])} />
        </Box>
      </Popover>
    </>
  );
}

/** A limit of one's own. */
function Own({ first, add }: { first: string; add: (mark: Mark) => void }) {
  const [field, setField] = useState(first);
  const [op, setOp] = useState<Mark["op"]>("at_least");
  const [value, setValue] = useState("");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add({ field, op, value: Number(value) });
    setValue("");
  };
  return (
    <Columns component="form" onSubmit={submit} of="1fr 96px 72px" gap={1} align="end">
      <TextField
        select
        label="Mark"
        variant="standard"
        value={field}
        onChange={(event) => setField(event.target.value)}
      >
        {NUMBERS.map((column) => (
          <MenuItem key={column.field} value={column.field}>
            {column.subject}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        variant="standard"
        value={op}
        onChange={(event) => setOp(event.target.value as Mark["op"])}
        slotProps={{ htmlInput: { "aria-label": "from or below" } }}
      >
        <MenuItem value="at_least">at least</MenuItem>
        <MenuItem value="below">below</MenuItem>
      </TextField>
      <TextField
        variant="standard"
        type="number"
        value={value}
        onChange={(event) => setValue(event.target.value)}
        slotProps={{ htmlInput: { "aria-label": "limit", step: "any" } }}
      />
      <Button type="submit" disabled={field === "" || value === ""} sx={{ gridColumn: "1 / -1", justifySelf: "start" }}>
        Mark these
      </Button>
    </Columns>
  );
}
