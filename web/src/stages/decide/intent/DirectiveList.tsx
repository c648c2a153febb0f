import { Apart, Inline, Clipped, Columns, Narrow, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { type Crawl, type Schemas } from "../../../api/client";
import { TABLES } from "../../../api/formats";
import { counted } from "../../../kit/format";
import { FileLinks } from "../../../kit/FileLinks";
import { Sign } from "../../../kit/signs/Sign";
import { MONO } from "../../../theme";
import { useDirectiveList } from "./useDirectiveList";
import { SiteUrl } from "../../../kit/SiteUrl";

type Directive = Schemas["Directives"]["groups"][number];

const STEPS: Record<number, string> = {
  1: "First: let crawlers in, so that they can see what the pages say",
  2: "Then: write and take out what pages and headers say",
};
const WHERE: Record<string, string> = { html: "the head", header: "the headers", "robots.txt": "robots.txt" };

/** What has to be written where, group by group, in the order in which it has to be done. */
export function DirectiveList({ crawl }: { crawl: Crawl }) {
  const { list } = useDirectiveList({ crawl });
  if (list.state !== "ready") return <Unready screen={list} />;
  const { groups, total, decided } = list.data;
  const steps = [...new Set(groups.map((one) => one.step))];
  return (
    <Scroll>
      <Inline gap={0} align="stretch" between mb={1}>
        <Typography color="textSecondary">
          {total === 0
            ? decided
              ? "Every page says what was decided of it."
              : "Nothing was decided yet: decide first, under Groups, what should be indexed."
            : `${counted(total, "change")} on ${counted(groups.length, "kind")} of pages.`}
        </Typography>
        <FileLinks
          what="Page by page:"
          files={TABLES.map(({ name: format }) => ({
            name: format.toUpperCase(),
            href: `/api/crawls/${crawl.id}/directives.${format}`,
          }))}
        />
      </Inline>
      {steps.map((step) => (
        <Apart component="section" key={step} aria-label={STEPS[step]} mb={2.5}>
          <Typography variant="h2" sx={{ borderBottom: "2px solid", borderColor: "iron", pb: 0.5 }}>
            {STEPS[step] ?? "Last"}
          </Typography>
          {groups
            .filter((one) => one.step === step)
            .map((one) => (
              <Item key={`${one.group} ${one.where} ${one.action} ${one.text} ${one.reason}`} item={one} />
            ))}
        </Apart>
      ))}
    </Scroll>
  );
}

function Item({ item }: { item: Directive }) {
  return (
    <Columns of="minmax(0, 5fr) minmax(0, 4fr) minmax(0, 3fr)" across={3} ruled py={1}>
      <Narrow>
        <span>
          {item.action === "add" ? "Write into" : "Take out of"} {WHERE[item.where] ?? item.where}
        </span>
        <Box
          component="code"
          sx={{
            display: "block",
            fontFamily: MONO,
            fontSize: 12.5,
            overflowWrap: "anywhere",
            borderLeft: 3,
            pl: 1,
            borderColor: item.action === "add" ? "verdigris" : "rust",
            textDecoration: item.action === "remove" ? "line-through" : undefined,
          }}
        >
          {item.text}
        </Box>
      </Narrow>
      <Narrow>
        {item.reason}
        {item.warning && (
          <Box role="note" sx={{ display: "flex", gap: 0.75, mt: 0.5, color: "rust" }}>
            <Sign state="stops" label="they disagree" /> {item.warning}
          </Box>
        )}
      </Narrow>
      <Narrow>
        <strong>
          {item.template
            ? `the template of ${item.group}`
            : `${counted(item.urls, "page")} of ${item.group === "/" ? "the top folder" : item.group}`}
        </strong>
        {item.template && ` (${item.urls} of ${item.pages})`}
        {!item.template &&
          item.samples.map((url) => (
            <Clipped key={url}>
              <SiteUrl url={url} size={12} />
            </Clipped>
          ))}
      </Narrow>
    </Columns>
  );
}
