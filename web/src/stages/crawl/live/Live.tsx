import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Crawl } from "../../../api/client";
import { screenAddress, useAddress } from "../../../kit/address";
import { counted, day } from "../../../kit/format";
import { Empty, Failed, Loading } from "../../../kit/Notice";
import { useCurrent } from "../../../kit/useCurrent";
import { CrawlNow } from "./CrawlNow";
import { STATES } from "./states";

/** The crawl as it runs; when none runs, the newest one and those before it. */
export default function Live() {
  const { crawls, loading, error } = useCurrent();
  const { to } = useAddress();
  if (error) return <Failed error={error} />;
  if (loading || !crawls.data) return <Loading what="the crawls" />;
  const [newest, ...before] = crawls.data;
  if (!newest) {
    return (
      <Empty
        title="This site hasn’t been crawled yet"
        action={
          <Button component={Link} to={to("crawl/setup")} variant="contained">
            To the setup
          </Button>
        }
      >
        Look over what the crawl is told, then start it there.
      </Empty>
    );
  }
  return (
    <Box sx={{ px: 2.5, py: 1.5, display: "grid", gap: 3, gridTemplateColumns: "minmax(0, 1fr)" }}>
      <CrawlNow key={newest.id} crawl={newest} />
      {before.length > 0 && <Earlier crawls={before} />}
    </Box>
  );
}

function Earlier({ crawls }: { crawls: Crawl[] }) {
  const { siteId } = useAddress();
  return (
    <Box component="section">
      <Typography variant="h2" gutterBottom>
        Before
      </Typography>
      {crawls.map((crawl) => (
        <Box key={crawl.id} sx={{ display: "flex", gap: 3, borderTop: 1, borderColor: "divider", py: 1 }}>
          <Link to={screenAddress(siteId, String(crawl.id), "read/trellis")}>Crawl {crawl.number}</Link>
          <span>{day(crawl.created_at)}</span>
          <span>{counted(crawl.progress.fetched, "URL")} fetched</span>
          {crawl.scope === "partial" && <span>of a list</span>}
          <Box component="span" sx={{ color: "text.secondary" }}>
            {STATES[crawl.state]}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
