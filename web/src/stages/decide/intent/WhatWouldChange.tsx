import { Inline, Clipped, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { count, counted } from "../../../kit/format";
import { UrlLink } from "../../../kit/parts";
import { Sign, type State } from "../../../kit/signs/Sign";
import type { Change, useIntent } from "./useIntent";

const KINDS: { name: keyof Change; sign: State; one: string; many: string }[] = [
  { name: "gets_noindex", sign: "diverts", one: "page gets a noindex", many: "pages get a noindex" },
  { name: "loses_noindex", sign: "passes", one: "page loses its noindex", many: "pages lose their noindex" },
  { name: "joins_sitemaps", sign: "passes", one: "page joins the sitemaps", many: "pages join the sitemaps" },
  { name: "leaves_sitemaps", sign: "diverts", one: "page leaves the sitemaps", many: "pages leave the sitemaps" },
  {
    name: "links_useless",
    sign: "weakens",
    one: "noindexed page has internal links",
    many: "noindexed pages have internal links",
  },
  {
    name: "cut_off",
    sign: "stops",
    one: "page that should be indexed is no longer linked",
    many: "pages that should be indexed are no longer linked",
  },
];

/** What the site would have to change for what was decided and is drafted, before anything is decided. */
export function WhatWouldChange({ intent, judging }: { intent: ReturnType<typeof useIntent>; judging: boolean }) {
  const { change, drafted, note, setNote, decide, save, forget } = intent;
  const [open, setOpen] = useState<keyof Change | null>(null);
  return (
    <Box
      component="section"
      aria-label="What would change"
      sx={{
        borderLeft: 1,
        borderColor: "divider",
        bgcolor: "background.paper",
        px: 2,
        py: 1,
        minHeight: 0,
        overflow: "auto",
      }}
    >
      <Typography variant="h2">What would change</Typography>
      <Quiet small mb={1}>
        on the site, by what is decided{drafted > 0 && ` and by ${counted(drafted, "draft")}`}
      </Quiet>
      {change.error && <Box role="alert">{change.error.message}</Box>}
      {change.data &&
        KINDS.map((kind) => {
          const found = change.data[kind.name];
          const shown = open === kind.name;
          return (
            <Box key={kind.name} sx={{ borderBottom: 1, borderColor: "divider" }}>
              <ButtonBase
                disabled={found.total === 0}
                aria-expanded={shown}
                onClick={() => setOpen(shown ? null : kind.name)}
                sx={{
                  width: "100%",
                  display: "grid",
                  gridTemplateColumns: "20px 44px 1fr",
                  textAlign: "left",
                  font: "inherit",
                  alignItems: "center",
                  minHeight: 30,
                  color: found.total === 0 ? "text.secondary" : "text.primary",
                }}
              >
                <Sign state={kind.sign} />
                <strong>{count(found.total)}</strong>
                <span>{found.total === 1 ? kind.one : kind.many}</span>
              </ButtonBase>
              {shown && (
                <Box sx={{ pb: 1, maxHeight: 220, overflow: "auto" }}>
                  {found.rows.map((row) => (
                    <Clipped key={row.url_id}>
                      <UrlLink id={row.url_id} url={row.url} />
                    </Clipped>
                  ))}
                  {found.total > found.rows.length && <Quiet>and {count(found.total - found.rows.length)} more</Quiet>}
                </Box>
              )}
            </Box>
          );
        })}
      <TextField
        label="Why"
        multiline
        minRows={2}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        sx={{ mt: 2 }}
      />
      <Inline align="stretch" mt={1}>
        <Button variant="contained" disabled={drafted === 0 || decide.isPending} onClick={() => void save()}>
          {drafted > 0 ? `Decide ${counted(drafted, "draft")}` : "Decide"}
        </Button>
        <Button disabled={drafted === 0} onClick={forget}>
          Forget drafts
        </Button>
      </Inline>
      <Box role="status" sx={{ mt: 1, color: decide.error ? "rust" : "text.secondary", fontSize: 12 }}>
        {decide.error?.message ??
          (judging
            ? "The pages are being judged again."
            : drafted > 0
              ? "Nothing is changed before you decide."
              : "All that is decided is in use.")}
      </Box>
    </Box>
  );
}
