import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { day } from "../../../kit/format";
import { Apart, Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { type StoredBeside, useStoredAndNow } from "./useInIndex";

/** What the index stored of the page beside what is there now, and how the texts differ. */
export function StoredAndNow({ crawl, url }: { crawl: number; url: string }) {
  const look = useStoredAndNow({ crawl, url });
  return (
    <Apart mt={1}>
      <Button variant="outlined" size="small" disabled={look.isPending} onClick={() => look.mutate()}>
        {look.isPending ? "Asking the index …" : "What it stored, beside now"}
      </Button>
      {look.error && <Box role="alert">{look.error.message}</Box>}
      {look.data && !look.isPending && <SideBySide beside={look.data} />}
    </Apart>
  );
}

function SideBySide({ beside }: { beside: StoredBeside }) {
  if (beside.blocked) return <Box role="status">Not fetched now: robots.txt says “{beside.blocked}”.</Box>;
  const other = beside.rows.filter((row) => row.stored !== row.now);
  return (
    <Apart role="status" mt={1}>
      <Quiet>
        {beside.index} fetched it {beside.fetched_on ? day(beside.fetched_on) : "never"}
        {beside.agent && ` as ${beside.agent}`}
      </Quiet>
      {other.length === 0 ? (
        "Answer and directives are as it stored them."
      ) : (
        <Roomy label="Stored and now" columns={["", "Stored", "Now"]}>
          {other.map((row) => (
            <tr key={row.name}>
              <td>{row.name}</td>
              <td>{row.stored ?? "none"}</td>
              <td>{row.now ?? "none"}</td>
            </tr>
          ))}
        </Roomy>
      )}
      <Texts parts={beside.text} />
    </Apart>
  );
}

/** So many words of a stretch that both have are shown. */
const SHOWN = 12;

const shortened = (words: string) => {
  const all = words.split(" ");
  return all.length <= 2 * SHOWN ? words : `${all.slice(0, SHOWN).join(" ")} … ${all.slice(-SHOWN).join(" ")}`;
};

function Texts({ parts }: { parts: StoredBeside["text"] }) {
  if (parts.length === 0) return null;
  if (parts.every(([who]) => who === "both")) return <Quiet>The text is as it stored it.</Quiet>;
  return (
    <Box sx={{ mt: 1, maxHeight: 220, overflow: "auto" }} tabIndex={0} role="region" aria-label="How the texts differ">
      <Quiet small>The text: struck out what only the index has, underlined what is new</Quiet>
      {parts.map(([who, words = ""], place) => (
        <Box
          key={place}
          component={who === "stored" ? "del" : who === "now" ? "ins" : "span"}
          sx={{ color: who === "stored" ? "rust" : who === "now" ? "verdigris" : "text.secondary" }}
        >
          {who === "both" ? shortened(words) : words}{" "}
        </Box>
      ))}
    </Box>
  );
}
