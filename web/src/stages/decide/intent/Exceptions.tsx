import Stack from "@mui/material/Stack";
import { Inline } from "../../../kit/pieces";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { counted } from "../../../kit/format";
import { BringFile } from "../../../kit/BringFile";
import { DecidedAndForm } from "../../../kit/DecidedAndForm";
import { useDecide } from "../../../kit/useDecide";
import { MONO } from "../../../theme";
import { WhyNot } from "../../../kit/WhyNot";

const INTENTS = { index: "should be indexed", keep_out: "should be kept out", undecided: "leave open" };

/** What was decided for single URLs and patterns, and a list brought from elsewhere. */
export function Exceptions({ site }: { site: number }) {
  return (
    <DecidedAndForm
      site={site}
      kind="intent"
      title="Decided for URLs and patterns, which beats what was decided for their group"
      formTitle="Bring a list"
    >
      <BringList site={site} />
    </DecidedAndForm>
  );
}

function BringList({ site }: { site: number }) {
  const [text, setText] = useState("");
  const [intent, setIntent] = useState<keyof typeof INTENTS>("keep_out");
  const [note, setNote] = useState("");
  const decide = useDecide(site);
  const lines = [
    ...new Set(
      text
        .split(/\r?\n/)
        .map((line) => line.trim())
        .filter(Boolean),
    ),
  ];
  const save = () =>
    decide.mutate(
      { kind: "intent", note, wishes: Object.fromEntries(lines.map((line) => [line, { intent }])) },
      { onSuccess: () => setText("") },
    );
  return (
    <Stack spacing={1.5}>
      <TextField
        label="URLs or patterns, one a line"
        multiline
        minRows={8}
        maxRows={16}
        value={text}
        onChange={(event) => setText(event.target.value)}
        slotProps={{ htmlInput: { style: { fontFamily: MONO, fontSize: 12.5 } } }}
      />
      <BringFile label="From a file" accept=".txt,.csv" read={(file) => void file.text().then(setText)} />
      <TextField
        select
        label="They"
        value={intent}
        onChange={(event) => setIntent(event.target.value as keyof typeof INTENTS)}
      >
        {Object.entries(INTENTS).map(([value, name]) => (
          <MenuItem key={value} value={value}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField label="Why" value={note} onChange={(event) => setNote(event.target.value)} />
      <Inline gap={1.5}>
        <Button variant="contained" disabled={lines.length === 0 || decide.isPending} onClick={save}>
          Decide for {counted(lines.length, "line")}
        </Button>
        <WhyNot error={decide.error} />
      </Inline>
    </Stack>
  );
}
