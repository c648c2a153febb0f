import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { Site } from "../../../api/client";
import { Failed, Loading } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { MONO } from "../../../theme";
import { type Fields, useSetup } from "./useSetup";

/** What a site's crawls are told. */
export default function Setup({ isNew = false }: { isNew?: boolean }) {
  const { site, loading, error, running } = useCurrent();
  if (isNew) return <SetupForm key="new" site={undefined} running={false} />;
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the settings" />;
  if (!site) return <Failed error={new Error("There is no such site. Choose one at the top left.")} />;
  return <SetupForm key={site.id} site={site} running={!!running} />;
}

function SetupForm({ site, running }: { site: Site | undefined; running: boolean }) {
  const { fields, set, save, crawl, error, failure, busy } = useSetup(site);

  const text = (name: TextName, label: string, help: string, rows = 0) => (
    <TextField
      label={label}
      value={fields[name]}
      multiline={rows > 0}
      minRows={rows}
      maxRows={8}
      error={!!error?.forField(name)}
      helperText={error?.forField(name) || help}
      onChange={(event) => set(name, event.target.value)}
      slotProps={{
        htmlInput: { spellCheck: false, ...(rows > 0 ? { style: { fontFamily: MONO, fontSize: 12.5 } } : {}) },
      }}
    />
  );
  const box = (name: "ignore_robots" | "allow_private", label: string) => (
    <FormControlLabel
      control={<Checkbox size="small" checked={fields[name]} onChange={(event) => set(name, event.target.checked)} />}
      label={label}
    />
  );

  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        crawl.mutate();
      }}
      sx={{ display: "grid", gridTemplateRows: "1fr auto", minHeight: "100%" }}
    >
      <Title>Setup</Title>
      <Box
        sx={{
          px: 2.5,
          py: 2,
          display: "grid",
          gap: 3,
          gridTemplateColumns: { xs: "1fr", md: "repeat(3, 1fr)" },
          alignItems: "start",
        }}
      >
        <Part title={site ? "The site" : "A new site"}>
          {text("name", "Name", "As you and your client call it.")}
          {text("start_urls", "Start URLs", "One a line, whole, with https:// in front.", 3)}
          {text(
            "hosts",
            "Further hosts in scope",
            "One a line, such as example.test. The start URLs’ hosts are in scope anyway.",
            2,
          )}
          {text(
            "resolve",
            "Send requests elsewhere",
            "One a line: www.example.test:443 to 203.0.113.7. Tests a new server before DNS moves.",
            2,
          )}
        </Part>
        <Part title="What is wanted">
          {text("key_pages", "Key pages", "The URLs that matter most, one a line.", 3)}
          {text(
            "wanted",
            "To be indexed",
            "Patterns, one a line: /lamps/* or */guides/*. What a sitemap lists counts as wanted too.",
            3,
          )}
          {text(
            "kept_out",
            "To be kept out",
            "Patterns, one a line: /account/*. A page kept out that climbs all the same is a stray.",
            3,
          )}
        </Part>
        <Part title="How it is crawled">
          {text("exclude", "Leave out", "Patterns, one a line; a regular expression stands between slashes.", 2)}
          {text("include", "Only these", "Patterns, one a line; none means all.", 2)}
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
            {text("rate", "Requests a second", "Per host; 0 is no limit.")}
            {text("concurrency", "Requests at once", "Per host.")}
            {text("limit", "URLs at most", "Then it ends.")}
            {text("max_depth", "Clicks at most", "From a start URL.")}
          </Box>
          {text("agent", "Agent token", "robots.txt and robots directives are read for it.")}
          <Box sx={{ display: "grid" }}>
            {box("ignore_robots", "Fetch pages that robots.txt blocks, too")}
            {box("allow_private", "Allow private and loopback addresses")}
          </Box>
        </Part>
      </Box>
      <Box
        sx={{
          position: "sticky",
          bottom: 0,
          bgcolor: "background.paper",
          borderTop: 1,
          borderColor: "divider",
          px: 2.5,
          py: 1.25,
          display: "flex",
          gap: 1.5,
          alignItems: "center",
          zIndex: 1,
        }}
      >
        <Button type="submit" variant="contained" disabled={busy || running}>
          Save and crawl
        </Button>
        <Button variant="outlined" disabled={busy} onClick={() => save.mutate()}>
          Save
        </Button>
        {running && (
          <Typography sx={{ color: "text.secondary" }}>A crawl of this site is running; see Live.</Typography>
        )}
        {failure && (
          <Alert severity="error" sx={{ py: 0 }}>
            {failure.message}
          </Alert>
        )}
        {save.isSuccess && !failure && !crawl.isPending && (
          <Typography role="status" sx={{ color: "text.secondary" }}>
            Saved.
          </Typography>
        )}
      </Box>
    </Box>
  );
}

type TextName = { [K in keyof Fields]: Fields[K] extends string ? K : never }[keyof Fields];

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ display: "grid", gap: 2, gridTemplateColumns: "minmax(0, 1fr)" }}>
      <Typography variant="h2" sx={{ borderBottom: 2, borderColor: "iron", pb: 0.5 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}
