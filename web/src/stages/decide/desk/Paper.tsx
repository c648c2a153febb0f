import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { Part } from "../../../kit/parts";
import { Quiet } from "../../../kit/pieces";
import type { DeskWork, Sheet } from "./useDeskPage";

/**
 * The page as it is read, to be written over: title, description, headings, text, and the texts that stand for images.
 */
export function Paper({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  const { page } = sheet;
  const { draft, write } = work;
  const heading = (place: number) => draft.headings?.[place] ?? String(page.outline[place]?.[1] ?? "");
  return (
    <Part title="The page" level="h2">
      <Box sx={PAPER}>
        <Field
          label="Title"
          text={draft.title ?? page.title ?? ""}
          was={page.title ?? ""}
          line={page.places.title}
          write={(title) => write({ title })}
        />
        <Field
          label="Description"
          text={draft.description ?? page.description ?? ""}
          was={page.description ?? ""}
          line={page.places.description}
          write={(description) => write({ description })}
          rows={2}
        />
        {page.outline.map(([level, text], place) => (
          <Field
            key={place}
            label={`H${level}`}
            text={heading(place)}
            was={String(text)}
            line={level === 1 ? page.places.h1 : undefined}
            write={(next) => write({ headings: page.outline.map((_, one) => (one === place ? next : heading(one))) })}
          />
        ))}
        <Field
          label="Text, a paragraph a line"
          text={draft.text ?? page.text.join("\n")}
          was={page.text.join("\n")}
          write={(text) => write({ text })}
          rows={14}
        />
        {page.pictures.map(([address, alt]) => (
          <Picture
            key={String(address)}
            address={String(address)}
            alt={draft.alts?.[String(address)] ?? (alt === null ? "" : String(alt))}
            was={alt === null ? "" : String(alt)}
            write={(text) => write({ alts: { ...draft.alts, [String(address)]: text } })}
          />
        ))}
      </Box>
    </Part>
  );
}

type FieldProps = {
  label: string;
  text: string;
  was: string;
  line?: number;
  rows?: number;
  write: (text: string) => void;
};

function Field({ label, text, was, line, rows, write }: FieldProps) {
  const notes = [
    `${[...text].length} characters`,
    line !== undefined && `line ${line} of the source`,
    text !== was && "drafted",
  ].filter(Boolean);
  return (
    <TextField
      label={label}
      value={text}
      multiline
      minRows={rows ?? 1}
      maxRows={24}
      fullWidth
      onChange={(event) => write(event.target.value)}
      helperText={notes.join(" · ")}
      sx={{ "& fieldset": { borderLeftWidth: text === was ? 1 : 4 } }}
    />
  );
}

type PictureProps = { address: string; alt: string; was: string; write: (text: string) => void };

function Picture({ address, alt, was, write }: PictureProps) {
  return (
    <Box>
      <Quiet small style={{ overflowWrap: "anywhere" }}>
        {address}
      </Quiet>
      <Field label={`Alt text of ${address.split("/").pop() ?? address}`} text={alt} was={was} write={write} />
    </Box>
  );
}

const PAPER = {
  display: "grid",
  gap: 1.5,
  pt: 0.75,
  bgcolor: "background.paper",
  border: 1,
  borderColor: "divider",
  p: 2,
} as const;
