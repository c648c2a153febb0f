import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Popover from "@mui/material/Popover";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { Condition } from "../conditions";
import { lines } from "../lines";
import type { Column } from "./columns";
import { QUESTIONS } from "./sentence";

type Props<Row> = {
  columns: Column<Row>[];
  anchor: HTMLElement | null;
  first: Condition | undefined;
  close: () => void;
  keep: (condition: Condition) => void;
};

/** Makes or changes one condition in place. */
export function ConditionEditor<Row>({ columns, anchor, first, close, keep }: Props<Row>) {
  return (
    <Popover
      open={!!anchor}
      anchorEl={anchor}
      onClose={close}
      anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
    >
      <Form columns={columns} first={first} close={close} keep={keep} />
    </Popover>
  );
}

function Form<Row>({ columns, first, close, keep }: Omit<Props<Row>, "anchor">) {
  const [column, setColumn] = useState<Column<Row> | null>(columns.find((one) => one.field === first?.field) ?? null);
  const [op, setOp] = useState(first?.op ?? "");
  const [text, setText] = useState(first?.value === undefined ? "" : [first.value].flat().join("\n"));
  const questions = column ? QUESTIONS[column.kind] : [];
  const question = questions.find(([name]) => name === op) ?? questions[0];
  const value = column && question ? readValue(column, question[0], text) : undefined;
  const ready = column && question && (!question[2] || value !== undefined);

  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!column || !question || !ready) return;
    keep({ field: column.field, op: question[0], ...(question[2] ? { value } : {}) });
    close();
  };

  return (
    <Box component="form" onSubmit={submit} sx={{ p: 2, width: 300, display: "grid", gap: 1.5 }}>
      <Autocomplete
        options={columns}
        value={column}
        getOptionLabel={(one) => one.subject}
        isOptionEqualToValue={(one, two) => one.field === two.field}
        onChange={(_, one) => {
          setColumn(one);
          setOp("");
          setText(one?.kind === "flag" ? "true" : "");
        }}
        renderInput={(params) => <TextField {...params} label="Column" autoFocus={!first} />}
      />
      {column && column.kind !== "flag" && (
        <TextField select label="Question" value={question?.[0] ?? ""} onChange={(event) => setOp(event.target.value)}>
          {questions.map(([name, words]) => (
            <MenuItem key={name} value={name}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
      {column && question?.[2] && <Value column={column} op={question[0]} text={text} setText={setText} />}
      <Button type="submit" variant="contained" disabled={!ready}>
        Narrow
      </Button>
    </Box>
  );
}

type ValueProps<Row> = { column: Column<Row>; op: string; text: string; setText: (text: string) => void };

const FLAG: [string, string][] = [
  ["true", "yes"],
  ["false", "no"],
];

function Value<Row>({ column, op, text, setText }: ValueProps<Row>) {
  const choices = column.kind === "flag" ? FLAG : column.choices;
  if (choices) {
    return (
      <TextField
        select
        label="Value"
        value={choices.some(([one]) => one === text) ? text : ""}
        onChange={(event) => setText(event.target.value)}
      >
        {choices.map(([choice, name]) => (
          <MenuItem key={choice} value={choice}>
            {name}
          </MenuItem>
        ))}
      </TextField>
    );
  }
  return (
    <TextField
      label={op === "one_of" ? "Values, one a line" : "Value"}
      helperText={op.startsWith("matches") ? "With * for anything, or a regular expression between slashes" : undefined}
      multiline={op === "one_of"}
      value={text}
      onChange={(event) => setText(event.target.value)}
      type={column.kind === "number" || column.kind === "date" ? column.kind : "text"}
      slotProps={{ inputLabel: column.kind === "date" ? { shrink: true } : {} }}
    />
  );
}

function readValue<Row>(column: Column<Row>, op: string, text: string): Condition["value"] {
  if (text.trim() === "") return undefined;
  if (op === "one_of") return lines(text);
  if (column.kind === "flag") return text === "true";
  if (column.kind !== "number") return text;
  return Number.isFinite(Number(text)) ? Number(text) : undefined;
}
