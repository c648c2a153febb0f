import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Part } from "../../../kit/parts";
import { Apart, Inline, Columns, Quiet, Wrong } from "../../../kit/pieces";
import type { DeskWork, Sheet } from "./useDeskPage";

type Item = Sheet["data"]["items"][number];

const KINDS: Record<string, string> = {
  Organization: "organisation",
  LocalBusiness: "local business",
  Product: "product",
  Article: "article",
  FAQPage: "questions and answers",
  BreadcrumbList: "trail of pages above",
};

/** The structured data that the page has, what schema.org says of them, and what could be written from what it says. */
export function MarkedUp({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  const [kinds, setKinds] = useState<string[]>([]);
  const [local, setLocal] = useState("LocalBusiness");
  const { items, problems, kinds: possible, local: locals } = sheet.data;
  const text = work.draft.data ?? "";
  return (
    <Part title="Structured data" level="h2">
      <Columns of="minmax(0, 1fr) minmax(0, 1fr)" gap={3}>
        <Box>
          {items.length === 0 && <Quiet>The page has none.</Quiet>}
          {problems.map((problem) => (
            <Wrong key={problem}>{problem}</Wrong>
          ))}
          {items.map((item, place) => (
            <OneItem key={place} item={item} />
          ))}
        </Box>
        <Box>
          <Quiet>To be written from what the page and the site say</Quiet>
          {possible.map((one) => (
            <Box key={one.kind}>
              <FormControlLabel
                control={
                  <Checkbox
                    size="small"
                    checked={kinds.includes(one.kind)}
                    onChange={(_, on) =>
                      setKinds(on ? [...kinds, one.kind] : kinds.filter((kind) => kind !== one.kind))
                    }
                  />
                }
                label={KINDS[one.kind] ?? one.kind}
              />
              {one.lacking.length > 0 && (
                <Quiet component="span" small>
                  not told by the page: {one.lacking.join(", ")}
                </Quiet>
              )}
            </Box>
          ))}
          <Inline gap={1.5} my={1}>
            {kinds.includes("LocalBusiness") && (
              <TextField
                select
                label="Kind of business"
                value={local}
                onChange={(event) => setLocal(event.target.value)}
                sx={{ width: 220 }}
              >
                {["LocalBusiness", ...locals].map((one) => (
                  <MenuItem key={one} value={one}>
                    {one}
                  </MenuItem>
                ))}
              </TextField>
            )}
            <Button
              variant="outlined"
              disabled={kinds.length === 0 || work.markUp.isPending}
              onClick={() =>
                work.markUp.mutate({ kinds, local }, { onSuccess: ({ text: json }) => work.write({ data: json }) })
              }
            >
              Write it into the draft
            </Button>
            {work.markUp.error && <Wrong>{work.markUp.error.message}</Wrong>}
          </Inline>
          {text !== "" && (
            <TextField
              label="JSON-LD to be added"
              value={text}
              multiline
              minRows={6}
              maxRows={20}
              fullWidth
              onChange={(event) => work.write({ data: event.target.value })}
              slotProps={{ htmlInput: { style: { fontFamily: "var(--mono)", fontSize: 12 } } }}
            />
          )}
        </Box>
      </Columns>
    </Part>
  );
}

function OneItem({ item }: { item: Item }) {
  return (
    <Apart mb={1.5}>
      <strong>{item.types.join(", ")}</strong>
      {Object.entries(item.properties).map(([name, values]) => (
        <div key={name}>
          <Quiet component="span">{name}:</Quiet> {values.join(" / ")}
        </div>
      ))}
      {[...item.lacking, ...item.unknown].map((one) => (
        <Wrong key={one}>{one}</Wrong>
      ))}
      {item.possible.length > 0 && <Quiet small>schema.org also knows {item.possible.join(", ")}</Quiet>}
    </Apart>
  );
}
