import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { BringFile } from "../../../kit/BringFile";
import { FileLinks } from "../../../kit/FileLinks";
import { day } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { Apart, Inline, Quiet, Scroll, Spacer } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Unready } from "../../../kit/Unready";
import { Stops } from "./Stops";
import { type Report as Told, useReport } from "./useReport";

const FORMS = ["html", "xlsx"];

/** For the person who pays: what was wrong, was done, is free, is left, and comes next. */
export default function Report() {
  const work = useReport();
  if (work.report.state !== "ready") return <Unready screen={work.report} />;
  const told = work.report.data;
  const query = work.from ? `?from=${work.from}` : "";
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateColumns: "260px minmax(0, 1fr)" }}>
      <Title>Report</Title>
      <Box sx={{ px: 2, py: 1.5, borderRight: 1, borderColor: "divider", overflow: "auto" }}>
        <Choices key={JSON.stringify(told.settings)} told={told} work={work} />
      </Box>
      <Scroll tabIndex={0} role="region" aria-label="Report">
        <Inline gap={0} py={1.5}>
          <Quiet component="span">
            Crawl {told.crawls[0]?.number} of {told.crawls[0] && day(told.crawls[0].day)} against crawl{" "}
            {told.crawls[1]?.number} of {told.crawls[1] && day(told.crawls[1].day)}
          </Quiet>
          <Spacer />
          {work.print.error && <Alert severity="error">{work.print.error.message}</Alert>}
          <Button sx={{ mr: 2 }} disabled={work.print.isPending} onClick={() => work.print.mutate()}>
            {work.print.isPending ? "Printing …" : "Print as PDF"}
          </Button>
          <FileLinks
            what="As a file:"
            files={FORMS.map((form) => ({
              name: form.toUpperCase(),
              href: `/api/sites/${work.site}/report/${form}${query}`,
            }))}
          />
        </Inline>
        <Box sx={{ maxWidth: 860 }}>
          {(told.settings.foreword ?? "").split(/\n{2,}/).map((part, place) => (
            <p key={place}>{part}</p>
          ))}
          <Stops stops={told.stops} />
          {told.sections.map((section) => (
            <Section key={section.name} {...section} />
          ))}
        </Box>
      </Scroll>
    </Box>
  );
}

function Section({ title, sentences, columns, rows }: Told["sections"][number]) {
  return (
    <Apart component="section" aria-label={title} mt={2.5}>
      <Typography variant="h2">{title}</Typography>
      {sentences.map((sentence) => (
        <Apart component="p" key={sentence} my={0.5}>
          {sentence}
        </Apart>
      ))}
      {rows.length > 0 && (
        <Plain
          label={title}
          columns={columns.map((name, place) => ({
            name,
            right: typeof rows[0]?.[place] === "number",
            ...(typeof rows[0]?.[place] === "number" || name === "Fix" ? { width: 76 } : {}),
          }))}
        >
          {rows.map((row, place) => (
            <tr key={place}>
              {row.map((value, at) => (
                <td key={at} className={typeof value === "number" ? "number" : undefined} title={String(value ?? "")}>
                  {String(value ?? "–")}
                </td>
              ))}
            </tr>
          ))}
        </Plain>
      )}
    </Apart>
  );
}

function Choices({ told, work }: { told: Told; work: ReturnType<typeof useReport> }) {
  const [sections, setSections] = useState(told.settings.sections ?? told.all_sections.map((one) => one.name));
  const [foreword, setForeword] = useState(told.settings.foreword ?? "");
  const [logo, setLogo] = useState(told.settings.logo ?? "");
  const read = (file: File) => {
    const reader = new FileReader();
    reader.onload = () => setLogo(String(reader.result));
    reader.readAsDataURL(file);
  };
  return (
    <Stack spacing={1.5}>
      <TextField
        type="number"
        label="From crawl"
        placeholder="the first one"
        value={work.from ?? ""}
        onChange={(event) => work.setFrom(event.target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <div>
        {told.all_sections.map((one) => (
          <FormControlLabel
            key={one.name}
            sx={{ display: "flex" }}
            control={
              <Checkbox
                size="small"
                checked={sections.includes(one.name)}
                onChange={(_, on) =>
                  setSections(
                    told.all_sections
                      .map((other) => other.name)
                      .filter((name) => (name === one.name ? on : sections.includes(name))),
                  )
                }
              />
            }
            label={one.title}
          />
        ))}
      </div>
      <TextField
        multiline
        minRows={4}
        label="Foreword"
        value={foreword}
        onChange={(event) => setForeword(event.target.value)}
      />
      <Inline>
        <BringFile
          label={logo ? "Another logo" : "Bring a logo"}
          accept="image/png,image/jpeg,image/svg+xml"
          read={read}
        />
        {logo && <Button onClick={() => setLogo("")}>Take it out</Button>}
      </Inline>
      {work.keep.error && <Alert severity="error">{work.keep.error.message}</Alert>}
      <Button
        variant="contained"
        disabled={work.keep.isPending}
        onClick={() => work.keep.mutate({ sections, foreword, logo })}
      >
        Keep these
      </Button>
    </Stack>
  );
}
