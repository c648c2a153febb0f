import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { counted } from "../../../kit/format";
import { MONO } from "../../../theme";
import { Part } from "../../../kit/parts";
import { Inline, Quiet } from "../../../kit/pieces";
import { useSource } from "./useSource";

/** The source as it was stored. The lines that decide are marked and can be shown alone. */
export function Source({ crawl, url }: { crawl: number; url: string }) {
  const { find, setFind, found, open, setOpen, all, setAll, source, lines, deciding } = useSource({ crawl, url });
  return (
    <Part title="Source, as it was fetched">
      <Inline mb={0.5}>
        <Button size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? "Put it away" : "Show the lines that decide"}
        </Button>
        {open && lines.length > 0 && (
          <TextField label="Find in the source" value={find} onChange={(event) => setFind(event.target.value)} />
        )}
        {found && <Quiet component="span">{counted(found.length, "line")}</Quiet>}
        {open && lines.length > 0 && (
          <Button size="small" aria-pressed={all} onClick={() => setAll(!all)}>
            {all ? "Only those that decide" : `All ${counted(lines.length, "line")}`}
          </Button>
        )}
      </Inline>
      {source.error?.message}
      {open && source.data && lines.length === 0 && "No source was stored: it is no text, or it wasn’t fetched."}
      {open && lines.length > 0 && (
        <Box component="pre" aria-label="Source" tabIndex={0} sx={CODE}>
          {(found ?? (all ? lines : deciding)).map((line) => (
            <Box
              key={line.number}
              component="span"
              sx={{
                display: "grid",
                gridTemplateColumns: "44px 92px minmax(0, 1fr)",
                bgcolor:
                  line.tells.length > 0 ? "color-mix(in srgb, var(--mui-palette-moss) 22%, transparent)" : undefined,
              }}
            >
              <Box component="span" sx={{ color: "text.secondary", textAlign: "right", pr: 1.5, userSelect: "none" }}>
                {line.number}
              </Box>
              <Box component="span" sx={{ color: "verdigris", fontWeight: 650, userSelect: "none" }}>
                {line.tells[0] ?? ""}
              </Box>
              <span style={{ whiteSpace: "pre-wrap", overflowWrap: "anywhere" }}>{line.text}</span>
            </Box>
          ))}
          {source.data?.cut && "… the rest is not shown"}
        </Box>
      )}
    </Part>
  );
}

const CODE = {
  fontFamily: MONO,
  fontSize: 11.5,
  m: 0,
  py: 1,
  bgcolor: "background.default",
  overflow: "auto",
  maxHeight: 360,
} as const;
