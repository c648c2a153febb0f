import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { PagePicture } from "../../../kit/PagePicture";
import { Part } from "../../../kit/parts";
import { Apart, Quiet, Wrong } from "../../../kit/pieces";
import type { DeskWork, Sheet } from "./useDeskPage";

/** How a page of results would show it, as it is and as it is drafted; and the page drawn with its draft. */
export function Result({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  const [now, drafted] = sheet.results;
  const same = now?.title === drafted?.title && now?.description === drafted?.description;
  return (
    <Part title="Among results" level="h2">
      {now && <One name="As it is" result={now} sheet={sheet} />}
      {drafted && !same && <One name="As drafted" result={drafted} sheet={sheet} />}
      <Button size="small" disabled={work.preview.isPending} onClick={() => work.preview.mutate()}>
        {work.preview.isPending ? "Drawing …" : "Draw the page with its draft"}
      </Button>
      {work.preview.data?.problem && <Wrong>{work.preview.data.problem}</Wrong>}
      {work.preview.data?.screenshot && (
        <PagePicture
          picture={work.preview.data.screenshot}
          alt="The page with its draft"
          label="Preview"
          maxHeight={300}
        />
      )}
    </Part>
  );
}

function One({ name, result, sheet }: { name: string; result: Sheet["results"][number]; sheet: Sheet }) {
  return (
    <Apart mb={1.5}>
      <Quiet small>{name}</Quiet>
      <Box
        sx={{ fontFamily: "Arial, 'Liberation Sans', sans-serif", fontSize: 17, color: "verdigris", lineHeight: 1.3 }}
      >
        {result.shown_title || "no title"}
      </Box>
      <Quiet small style={{ overflowWrap: "anywhere" }}>
        {sheet.url}
      </Quiet>
      <Box sx={{ fontFamily: "Arial, 'Liberation Sans', sans-serif", fontSize: 13 }}>
        {result.shown_description || "no description"}
      </Box>
      <Quiet small>
        {wide("title", result.title_px, sheet.cut_at.title)};{" "}
        {wide("description", result.description_px, sheet.cut_at.description)}
      </Quiet>
    </Apart>
  );
}

const wide = (what: string, px: number, most: number) => `${what} ${px} of ${most} px${px > most ? ", cut" : ""}`;
