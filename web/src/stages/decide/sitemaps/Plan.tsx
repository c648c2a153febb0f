import Stack from "@mui/material/Stack";
import { Columns, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";
import { WhyNot } from "../../../kit/WhyNot";

type SitemapPlan = Schemas["SitemapPlan"];

const CHOICES: [keyof SitemapPlan & ("by_group" | "packed" | "images" | "languages" | "pdfs"), string][] = [
  ["by_group", "A file for each page group"],
  ["packed", "Packed with gzip"],
  ["images", "With the images of each page"],
  ["languages", "With the sets of languages"],
  ["pdfs", "PDFs too, not only pages"],
];
const REBUILDS = { by_hand: "when I say so", after_crawl: "after each crawl of the site", daily: "every day" };
const FREQUENCIES = ["always", "hourly", "daily", "weekly", "monthly", "yearly", "never"];

/**
 * What the files carry and when they are built. Priority and changefreq are left out unless they are asked for: few
 * heed them.
 */
export function Plan({ site, plan, groups }: { site: number; plan: SitemapPlan; groups: string[] }) {
  const [draft, setDraft] = useState(plan);
  const [hints, setHints] = useState(Object.keys(plan.priority).length + Object.keys(plan.changefreq).length > 0);
  const decide = useDecide(site);
  const changed = JSON.stringify(draft) !== JSON.stringify(plan);
  return (
    <Stack spacing={0.5}>
      {CHOICES.map(([name, label]) => (
        <FormControlLabel
          key={name}
          label={label}
          control={
            <Checkbox
              size="small"
              sx={{ py: 0.25 }}
              checked={draft[name]}
              onChange={(_, checked) => setDraft({ ...draft, [name]: checked })}
            />
          }
        />
      ))}
      <FormControlLabel
        label="With priority and changefreq, which few heed"
        control={
          <Checkbox
            size="small"
            sx={{ py: 0.25 }}
            checked={hints}
            onChange={(_, checked) => {
              setHints(checked);
              if (!checked) setDraft({ ...draft, priority: {}, changefreq: {} });
            }}
          />
        }
      />
      {hints && <Hints draft={draft} groups={groups} change={setDraft} />}
      <TextField
        select
        label="Built"
        value={draft.rebuild}
        onChange={(event) => setDraft({ ...draft, rebuild: event.target.value as SitemapPlan["rebuild"] })}
        sx={{ mt: 1 }}
      >
        {Object.entries(REBUILDS).map(([name, text]) => (
          <MenuItem key={name} value={name}>
            {text}
          </MenuItem>
        ))}
      </TextField>
      <Quiet small my={1}>
        A date of change is written only where a crawl has seen the text of a page change.
      </Quiet>
      <WhyNot error={decide.error} />
      <Button
        variant="outlined"
        disabled={!changed || decide.isPending}
        onClick={() => decide.mutate({ kind: "sitemaps", wishes: { all: draft } })}
      >
        Keep the plan
      </Button>
    </Stack>
  );
}

function Hints({
  draft,
  groups,
  change,
}: {
  draft: SitemapPlan;
  groups: string[];
  change: (plan: SitemapPlan) => void;
}) {
  const set = (name: "priority" | "changefreq", group: string, value: string) => {
    const rest = Object.fromEntries(Object.entries(draft[name]).filter(([one]) => one !== group));
    const next = value === "" ? rest : { ...rest, [group]: name === "priority" ? Number(value) : value };
    change({ ...draft, [name]: next } as SitemapPlan);
  };
  return (
    <Box sx={{ maxHeight: 220, overflow: "auto", pl: 3.5 }}>
      {groups.map((group) => (
        <Columns key={group} of="minmax(0, 1fr) 60px 92px" gap={1} align="center">
          <Box component="span" sx={{ fontSize: 12, overflow: "hidden", textOverflow: "ellipsis" }} title={group}>
            {group}
          </Box>
          <TextField
            variant="standard"
            type="number"
            value={draft.priority[group] ?? ""}
            onChange={(event) => set("priority", group, event.target.value)}
            slotProps={{ htmlInput: { min: 0, max: 1, step: 0.1, "aria-label": `Priority of ${group}` } }}
          />
          <TextField
            select
            variant="standard"
            value={draft.changefreq[group] ?? ""}
            onChange={(event) => set("changefreq", group, event.target.value)}
            slotProps={{ select: { displayEmpty: true }, htmlInput: { "aria-label": `Changefreq of ${group}` } }}
          >
            <MenuItem value="">–</MenuItem>
            {FREQUENCIES.map((one) => (
              <MenuItem key={one} value={one}>
                {one}
              </MenuItem>
            ))}
          </TextField>
        </Columns>
      ))}
    </Box>
  );
}
