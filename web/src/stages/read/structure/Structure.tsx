import { Inline, Room } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { counted, count } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { useAddress } from "../../../kit/address";
import { LinkButton } from "../../../kit/LinkButton";
import { Topics } from "../../../kit/Topics";
import { useMissingLinks } from "../../../kit/useMissingLinks";
import { Depths } from "./Depths";
import { Flow } from "./Flow";
import { Folders } from "./Folders";
import { Hubs } from "./Hubs";
import { useStructure } from "./useStructure";

/** How the site hangs together: by clicks, by folders, by what flows between its groups. */
export default function Structure() {
  const structure = useStructure();
  if (structure.state !== "ready") return <Unready screen={structure} />;

  const { depths, deep_from, important_from } = structure.data;
  const pages = depths.reduce((sum, one) => sum + one.pages, 0);
  const deep = depths.reduce((sum, one) => sum + (one.depth !== null && one.depth >= deep_from ? one.important : 0), 0);
  return (
    <Room>
      <Inline gap={2} align="baseline" mb={1.5}>
        <Typography variant="h1">How the site hangs together</Typography>
        <Typography color="textSecondary">
          {counted(pages, "HTML page")};{" "}
          {!structure.data.important_known
            ? "nothing says yet which pages matter: decide what should be indexed, mark key pages or publish a sitemap"
            : deep === 0
              ? `none that matters lies ${deep_from} clicks deep or deeper`
              : `${count(deep)} that matter (importance ${important_from} and more) lie ${deep_from} clicks deep or ` +
                "deeper"}
        </Typography>
      </Inline>
      <Box
        sx={{ display: "grid", gridTemplateColumns: "minmax(380px, 5fr) minmax(560px, 8fr)", columnGap: 4, rowGap: 3 }}
      >
        <Part level="h2" title="Clicks from the start">
          <Depths depths={depths} deepFrom={deep_from} />
        </Part>
        <Part level="h2" title="What authority flows between page groups">
          <Flow flow={structure.data.flow} />
        </Part>
      </Box>
      <Box sx={{ mt: 3, display: "grid", gridTemplateColumns: "minmax(0, 1fr)", rowGap: 3 }}>
        <Part level="h2" title="Folders">
          <Folders folders={structure.data.folders} />
        </Part>
        <Hubs structure={structure.data} />
        <TopicsOfSite />
      </Box>
    </Room>
  );
}

const TOPICS_SHOWN = 6;

/** What pages speak of together, once somebody had it worked out. */
function TopicsOfSite() {
  const { siteId, to, navigate } = useAddress();
  const { found } = useMissingLinks(siteId);
  if (found.state !== "ready") return null;
  return (
    <Part level="h2" title="Topics">
      {found.data.made_at ? (
        <Topics topics={found.data.topics.slice(0, TOPICS_SHOWN)} />
      ) : (
        "Nobody has looked for topics yet."
      )}
      <LinkButton act={() => void navigate(to("decide/missing-links", { view: "topics" }))}>All topics</LinkButton>
    </Part>
  );
}
