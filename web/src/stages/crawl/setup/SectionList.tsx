import { Inline, CutOff, Spacer } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Collapse from "@mui/material/Collapse";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Sign } from "../../../kit/signs/Sign";
import { useForm } from "./form";
import { SECTIONS, type Section } from "./sections";

type Props = { heading: string; problem: (name: string) => string | undefined };

/** The settings as a list of sentences; each opens to be changed. One with something wrong in it stays open. */
export function SectionList({ heading, problem }: Props) {
  const [open, setOpen] = useState<string[]>([]);
  const all = open.length === SECTIONS.length;
  return (
    <>
      <Inline gap={0} align="baseline" mb={0.5}>
        <Typography variant="h1" component="h2">
          {heading}
        </Typography>
        <Spacer />
        <Button onClick={() => setOpen(all ? [] : SECTIONS.map((section) => section.id))}>
          {all ? "Close all" : "Open all"}
        </Button>
      </Inline>
      {SECTIONS.map((section) => {
        const wrong = section.names.some((name) => problem(name));
        return (
          <Line
            key={section.id}
            section={section}
            wrong={wrong}
            open={wrong || open.includes(section.id)}
            flip={() =>
              setOpen(open.includes(section.id) ? open.filter((id) => id !== section.id) : [...open, section.id])
            }
          />
        );
      })}
    </>
  );
}

type LineProps = { section: Section; wrong: boolean; open: boolean; flip: () => void };

function Line({ section, wrong, open, flip }: LineProps) {
  const { fields } = useForm();
  return (
    <Box component="section" aria-label={section.title} sx={{ borderTop: 1, borderColor: "divider" }}>
      <Box
        component="button"
        type="button"
        aria-expanded={open}
        onClick={flip}
        sx={{
          all: "unset",
          boxSizing: "border-box",
          width: "100%",
          cursor: "pointer",
          display: "grid",
          gridTemplateColumns: "190px minmax(0, 1fr) 20px",
          gap: 2,
          alignItems: "baseline",
          py: 1.1,
          "&:focus-visible": { outline: "2px solid var(--mui-palette-verdigris)" },
        }}
      >
        <Box component="span" sx={{ fontWeight: 650, display: "flex", gap: 0.75, alignItems: "center" }}>
          {section.title}
          {wrong && <Sign state="stops" label="something is wrong here" size={14} />}
        </Box>
        <CutOff component="span" quiet>
          {section.summary(fields)}
        </CutOff>
        <Box component="svg" width={11} height={8} aria-hidden sx={{ transform: open ? "rotate(180deg)" : undefined }}>
          <path d="M1 1.5l4.500 4.500L10 1.500" fill="none" stroke="currentColor" strokeWidth="1.6" />
        </Box>
      </Box>
      <Collapse in={open} unmountOnExit>
        <Box sx={{ display: "grid", gap: 2, gridTemplateColumns: "minmax(0, 1fr)", pt: 1, pb: 2.5, maxWidth: 760 }}>
          <section.Body />
        </Box>
      </Collapse>
    </Box>
  );
}
