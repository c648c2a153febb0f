import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Part } from "../../../kit/parts";
import { Apart, Inline, Quiet } from "../../../kit/pieces";
import type { DeskWork, Sheet } from "./useDeskPage";

const SHOWN = 6;

/** What the page is to be found for. */
export function Aims({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  const [text, setText] = useState("");
  const add = (phrase: string) => {
    work.keep.mutate({ phrases: [...sheet.phrases, phrase] });
    setText("");
  };
  return (
    <Part title="To be found for" level="h2">
      <Inline gap={0.75} align="stretch" wrap mb={1}>
        {sheet.phrases.map((phrase) => (
          <Chip
            key={phrase}
            size="small"
            label={phrase}
            onDelete={() => work.keep.mutate({ phrases: sheet.phrases.filter((one) => one !== phrase) })}
          />
        ))}
        {sheet.phrases.length === 0 && <Quiet component="span">No phrase yet.</Quiet>}
      </Inline>
      <Inline
        component="form"
        align="stretch"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim()) add(text.trim());
        }}
      >
        <TextField label="Phrase" value={text} onChange={(event) => setText(event.target.value)} fullWidth />
        <Button type="submit" disabled={text.trim() === ""}>
          Add
        </Button>
      </Inline>
      {sheet.proposed.slice(0, SHOWN).map((one) => (
        <Apart key={one.phrase} mt={0.5}>
          <Button size="small" sx={{ py: 0, px: 0.5, minWidth: 0 }} onClick={() => add(one.phrase)}>
            {one.phrase}
          </Button>
          <Quiet component="span" small>
            {" "}
            {one.why}
          </Quiet>
        </Apart>
      ))}
    </Part>
  );
}
