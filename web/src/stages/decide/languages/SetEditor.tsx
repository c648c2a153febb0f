import { Apart, Inline, Quiet, Wrong } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type Crawl, type Schemas } from "../../../api/client";
import { CheckNow } from "../../../kit/CheckNow";
import { day } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Toggles } from "../../../kit/Toggles";
import { MONO } from "../../../theme";
import { WhyNot } from "../../../kit/WhyNot";
import { useSetEditor, Form } from "./useSetEditor";

type Props = {
  site: number;
  crawl: Crawl;
  pages: Record<string, string>;
  decision: Schemas["Decision"] | null;
  editing: boolean;
};

/** The whole set, to be changed if it must, and the exact lines that each of its pages has to carry. */
export function SetEditor({ site, crawl, pages, decision, editing }: Props) {
  const { text, setText, form, setForm, decide, chosen, enough, lines } = useSetEditor({ site, crawl, pages, editing });
  return (
    <Apart mt={2.5}>
      {editing && (
        <TextField
          label="Code and address, one pair a line; x-default is for everybody else"
          placeholder={"en http://www.example.test/\nda http://www.example.test/da/"}
          multiline
          minRows={4}
          value={text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{ htmlInput: { style: { fontFamily: MONO, fontSize: 12.5 } } }}
          sx={{ mb: 2 }}
        />
      )}
      <Part level="h2" title="The whole set, the same on each of its pages">
        <Toggles<Form>
          choices={[
            { name: "head", label: "Head lines" },
            { name: "header", label: "Header" },
            { name: "sitemap", label: "Sitemap entry" },
          ]}
          value={form}
          choose={setForm}
          choiceSx={{ py: 0.1, px: 1.25 }}
        />
        <WhyNot error={lines.error} sx={{ mt: 1 }} />
        {!enough && (
          <Quiet mt={1}>
            {editing
              ? "Name at least two languages."
              : "Nothing is left to name: fewer than two pages of it are their own main version."}
          </Quiet>
        )}
        {enough && lines.data && (
          <Box
            component="pre"
            tabIndex={0}
            aria-label="Lines of the set"
            sx={{
              fontFamily: MONO,
              fontSize: 12,
              whiteSpace: "pre-wrap",
              overflowWrap: "anywhere",
              borderLeft: 3,
              borderColor: "verdigris",
              bgcolor: "background.default",
              p: 1.25,
              my: 1,
              maxHeight: 220,
              overflow: "auto",
            }}
          >
            {lines.data[form]}
          </Box>
        )}
        <Inline mt={1}>
          <Button
            variant="contained"
            disabled={!enough || decide.isPending || (decision !== null && !editing)}
            onClick={() =>
              decide.mutate({
                kind: "languages",
                wishes: { [decision?.subject ?? Object.values(chosen)[0] ?? ""]: { pages: chosen } },
              })
            }
          >
            {decision ? "Keep the changed set" : "Decide for this set"}
          </Button>
          <Button disabled={!lines.data} onClick={() => void navigator.clipboard.writeText(lines.data?.[form] ?? "")}>
            Copy the lines
          </Button>
          {decision && crawl.run != null && <CheckNow crawl={crawl.id} decision={decision.id} />}
          {decide.error ? (
            <Wrong role="alert">{decide.error.message}</Wrong>
          ) : (
            decision && (
              <Quiet>
                Decided by {decision.made_by}, {day(decision.made_at)}.
              </Quiet>
            )
          )}
        </Inline>
      </Part>
    </Apart>
  );
}
