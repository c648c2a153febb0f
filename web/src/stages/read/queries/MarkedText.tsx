import Stack from "@mui/material/Stack";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Crawl } from "../../../api/client";
import { Part } from "../../../kit/parts";
import { Sheet } from "../../../kit/Sheet";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Unready } from "../../../kit/Unready";
import { type Marking, useMarkedText } from "./useMarkedText";

const PARTS = { title: "Title", description: "Description", headings: "Headings", text: "Text", alts: "Alt texts" };

/** What a page says, with the words of a query marked. */
export function MarkedText({ crawl, marking, close }: { crawl: Crawl; marking: Marking | null; close: () => void }) {
  return (
    <Sheet label="Words in the page" open={marking !== null} close={close}>
      {marking && <Marked crawl={crawl} marking={marking} />}
    </Sheet>
  );
}

function Marked({ crawl, marking }: { crawl: Crawl; marking: Marking }) {
  const page = useMarkedText(crawl, marking);
  if (page.state !== "ready") return <Unready screen={page} />;
  return (
    <Stack spacing={2} tabIndex={0} role="region" aria-label="What the page says" sx={{ px: 2.5, py: 2 }}>
      <div>
        <Typography variant="h1">Where it says “{marking.query}”</Typography>
        <SiteUrl url={page.data.url} />
      </div>
      {page.data.parts.map(({ part, pieces }) => (
        <Part key={part} title={`${PARTS[part]}: ${pieces.filter(([, hit]) => hit).length}`} level="h2">
          <Box sx={{ whiteSpace: "pre-line", maxWidth: "75ch" }}>
            {pieces.map(([words, hit], place) =>
              hit ? (
                <Box component="mark" key={place} sx={{ bgcolor: "brass", color: "background.paper", px: 0.25 }}>
                  {words}
                </Box>
              ) : (
                <span key={place}>{words}</span>
              ),
            )}
          </Box>
        </Part>
      ))}
    </Stack>
  );
}
