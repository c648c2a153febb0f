import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { counted } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Apart, Quiet, Spacer } from "../../../kit/pieces";
import type { MissingLink } from "../../../kit/useMissingLinks";
import type { LinksWork } from "./useLinks";

/** All links that one page should get. */
export function ToOnePage({ links, work }: { links: MissingLink[]; work: LinksWork }) {
  const first = links[0];
  if (!first) return null;
  const open = links.filter((one) => one.state === "open");
  return (
    <Apart component="section" aria-label={`To ${first.target}`} mt={1.5}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", borderBottom: 1, borderColor: "iron", pb: 0.25 }}>
        <span>
          to <OpenUrl id={first.target_id} url={first.target} />
        </span>
        <Quiet component="span" small>
          {first.target_title} · importance {first.importance?.toFixed(1) ?? "unknown"}
        </Quiet>
        <Spacer />
        {open.length > 1 && (
          <Button size="small" disabled={work.decide.isPending} onClick={() => work.settle(open, "accepted")}>
            Accept {counted(open.length, "link")}
          </Button>
        )}
      </Box>
      {links.map((one) => (
        <Row key={one.source} link={one} work={work} />
      ))}
    </Apart>
  );
}

const STATES = { accepted: "accepted", refused: "refused" };

function Row({ link, work }: { link: MissingLink; work: LinksWork }) {
  const [before, after] = around(link);
  const busy = work.decide.isPending;
  return (
    <Box sx={ROW}>
      <Box sx={{ minWidth: 0, overflowWrap: "anywhere" }}>
        <OpenUrl id={link.source_id} url={link.source} />
      </Box>
      <Box sx={{ opacity: link.state === "refused" ? 0.6 : 1 }}>
        {before}
        <Box
          component="mark"
          sx={{ bgcolor: "color-mix(in srgb, var(--mui-palette-moss) 45%, transparent)", color: "inherit" }}
        >
          {link.words}
        </Box>
        {after}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5, justifyContent: "end", alignItems: "center" }}>
        {link.state === "open" ? (
          <>
            <Button
              size="small"
              sx={{ py: 0 }}
              disabled={busy}
              onClick={() => work.settle([link], "accepted")}
              aria-label={`Accept the link from ${link.source} to ${link.target}`}
            >
              Accept
            </Button>
            <Button
              size="small"
              sx={{ py: 0 }}
              disabled={busy}
              onClick={() => work.settle([link], "refused")}
              aria-label={`Refuse the link from ${link.source} to ${link.target}`}
            >
              Refuse
            </Button>
          </>
        ) : (
          <>
            <Quiet component="span">{STATES[link.state]}</Quiet>
            <Button
              size="small"
              sx={{ py: 0 }}
              disabled={busy}
              onClick={() => work.settle([link], "open")}
              aria-label={`Open the link from ${link.source} to ${link.target} again`}
            >
              Undo
            </Button>
          </>
        )}
      </Box>
    </Box>
  );
}

function around({ sentence, words }: MissingLink): [string, string] {
  const at = sentence.indexOf(words);
  return at < 0 ? [`${sentence} `, ""] : [sentence.slice(0, at), sentence.slice(at + words.length)];
}

const ROW = {
  display: "grid",
  gridTemplateColumns: "minmax(0, 3fr) minmax(0, 6fr) 150px",
  gap: 2,
  py: 0.5,
  borderBottom: 1,
  borderColor: "divider",
  alignItems: "start",
} as const;
