import Stack from "@mui/material/Stack";
import { Inline } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { DecidedAndForm } from "../../../kit/DecidedAndForm";
import { useDecide } from "../../../kit/useDecide";
import { MONO } from "../../../theme";
import { WhyNot } from "../../../kit/WhyNot";

const CODE = { fontFamily: MONO, fontSize: 12.5 } as const;

/** Which URL is the main version of which, on another host too. */
export function Canonicals({ site }: { site: number }) {
  return (
    <DecidedAndForm
      site={site}
      kind="canonical"
      title="Chosen canonicals; the next crawl tells whether pages name them"
      formTitle="Choose one"
    >
      <Choose site={site} />
    </DecidedAndForm>
  );
}

function Choose({ site }: { site: number }) {
  const [page, setPage] = useState("");
  const [target, setTarget] = useState("");
  const [note, setNote] = useState("");
  const decide = useDecide(site);
  const tag = target.includes("$")
    ? "Each page names its own: the parts that the stars capture are filled in."
    : `<link rel="canonical" href="${target}">\nand for what is no HTML\nLink: <${target}>; rel="canonical"`;
  return (
    <Stack spacing={1.5}>
      <TextField
        label="Page, or pattern of pages"
        placeholder="http://www.example.test/*/print"
        value={page}
        onChange={(event) => setPage(event.target.value)}
        slotProps={{ htmlInput: { style: CODE } }}
      />
      <TextField
        label="Its main version"
        placeholder="http://www.example.test/$1"
        helperText="$1 to $9 stand for what the stars of the pattern capture."
        value={target}
        onChange={(event) => setTarget(event.target.value)}
        slotProps={{ htmlInput: { style: CODE } }}
      />
      {target.trim() !== "" && (
        <Box component="pre" sx={{ ...CODE, m: 0, whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>
          {tag}
        </Box>
      )}
      <TextField label="Why" value={note} onChange={(event) => setNote(event.target.value)} />
      <Inline gap={1.5}>
        <Button
          variant="contained"
          disabled={page.trim() === "" || target.trim() === "" || decide.isPending}
          onClick={() =>
            decide.mutate(
              { kind: "canonical", note, wishes: { [page.trim()]: { target: target.trim() } } },
              {
                onSuccess: () => {
                  setPage("");
                  setTarget("");
                },
              },
            )
          }
        >
          Choose it
        </Button>
        <WhyNot error={decide.error} />
      </Inline>
    </Stack>
  );
}
