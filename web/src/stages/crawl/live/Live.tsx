import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type Crawl, data } from "../../../api/client";
import { screenAddress, useAddress } from "../../../kit/address";
import { bytes, count, counted, day, duration, moment } from "../../../kit/format";
import { Empty, Failed, Loading } from "../../../kit/Notice";
import { isEnded } from "../../../kit/queries";
import { useCurrent } from "../../../kit/useCurrent";
import { StatusMix } from "./StatusMix";

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
    <Box sx={{ px: 2.5, py: 2, display: "grid", gap: 3, maxWidth: 1240 }}>
      <CrawlNow crawl={newest} />
      {before.length > 0 && <Earlier crawls={before} />}
    </Box>
  );
}

const STATES: Record<Crawl["state"], string> = {
  waiting: "is about to begin",
  crawling: "is running",
  judging: "is being judged",
  finished: "is finished",
  failed: "failed",
};

function CrawlNow({ crawl }: { crawl: Crawl }) {
  const { siteId } = useAddress();
  const queries = useQueryClient();
  const stop = useMutation({
    mutationFn: () => data(api.POST("/crawls/{crawl}/stop", { params: { path: { crawl: crawl.id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["crawls", siteId] }),
  });
  const { progress } = crawl;
  const share = (100 * progress.fetched) / Math.max(1, progress.fetched + progress.waiting);
  const fetching = crawl.state === "waiting" || crawl.state === "crawling";
  return (
    <Box component="section" aria-label={`Crawl ${crawl.number}`} sx={{ display: "grid", gap: 2 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2 }}>
        <Typography variant="h1">
          Crawl {crawl.number} {STATES[crawl.state]}
        </Typography>
        <Typography sx={{ color: "text.secondary" }}>
          {crawl.started_at ? `begun ${moment(crawl.started_at)}` : "waiting for a worker"}
        </Typography>
        <Box sx={{ flex: 1 }} />
        {fetching && (
          <Button variant="outlined" color="error" disabled={stop.isPending} onClick={() => stop.mutate()}>
            Stop fetching
          </Button>
        )}
        {isEnded(crawl.state) && (
          <Button component={Link} to={screenAddress(siteId, String(crawl.id), "read/trellis")} variant="contained">
            See where pages stop
          </Button>
        )}
      </Box>
      {!isEnded(crawl.state) && (
        <LinearProgress
          aria-label="Progress of the crawl"
          variant={crawl.state === "crawling" ? "determinate" : "indeterminate"}
          value={share}
          sx={{ height: 8 }}
        />
      )}
      <Facts crawl={crawl} fetching={fetching} />
      <StatusMix progress={progress} />
      {crawl.message && <Alert severity="info">{crawl.message}</Alert>}
      {crawl.troubles.map((trouble) => (
        <Alert key={trouble.url} severity="error">
          {trouble.url} could not be crawled: {trouble.reason}. Check the start URL and the hosts in scope.
        </Alert>
      ))}
    </Box>
  );
}

function Facts({ crawl, fetching }: { crawl: Crawl; fetching: boolean }) {
  const { progress } = crawl;
  const facts: [string, string][] = [
    ["fetched", count(progress.fetched)],
    [fetching ? "waiting" : "left unfetched", count(progress.waiting)],
    ["known URLs", count(progress.known_urls)],
    ["a second", progress.pages_per_second === null ? "–" : count(progress.pages_per_second)],
    ["read", bytes(progress.bytes)],
    ...(fetching && progress.seconds_left !== null
      ? [["left, about", duration(progress.seconds_left)] as [string, string]]
      : []),
  ];
  return (
    <Box component="dl" sx={{ display: "flex", gap: 5, m: 0 }}>
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: "flex", flexDirection: "column-reverse" }}>
          <Typography component="dt" variant="body2" sx={{ color: "text.secondary" }}>
            {name}
          </Typography>
          <Box component="dd" sx={{ m: 0, fontSize: 28, fontWeight: 600, lineHeight: 1.15 }}>
            {value}
          </Box>
        </Box>
      ))}
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
          <Box component="span" sx={{ color: "text.secondary" }}>
            {STATES[crawl.state]}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
