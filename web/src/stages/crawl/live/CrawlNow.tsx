import Stack from "@mui/material/Stack";
import { Apart, Inline, Spacer } from "../../../kit/pieces";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Crawl } from "../../../api/client";
import { screenAddress } from "../../../kit/address";
import { bytes, clock, count, counted, duration, moment } from "../../../kit/format";
import { Failed } from "../../../kit/Notice";
import { isEnded } from "../../../kit/queries";
import { Hosts } from "./Hosts";
import { Queue } from "./Queue";
import { Speed } from "./Speed";
import { isFetching, STATES } from "./states";
import { StatusMix } from "./StatusMix";
import { FetchErrors } from "./FetchErrors";
import { useControls, useLive } from "./useLive";

/** One crawl: how far it is, how fast, what answers, what waits, what goes wrong. */
export function CrawlNow({ crawl }: { crawl: Crawl }) {
  const live = useLive(crawl);
  return (
    <Stack spacing={2} component="section" aria-label={`Crawl ${crawl.number}`}>
      <Heading crawl={crawl} />
      <Progress crawl={crawl} />
      <Facts crawl={crawl} />
      <StatusMix progress={crawl.progress} />
      <Notes crawl={crawl} />
      {live.data?.traps.map((told) => (
        <Alert key={told} severity="warning">
          {told}
        </Alert>
      ))}
      {live.error && <Failed error={live.error} retry={() => void live.refetch()} />}
      {live.data && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 5fr) minmax(0, 4fr)" },
            columnGap: 4,
            rowGap: 2.5,
            alignItems: "start",
          }}
        >
          <Part title="Pages a second">
            <Speed speed={live.data.speed} />
          </Part>
          <Part title="Newest errors">
            <FetchErrors errors={live.data.errors} />
          </Part>
          <Part
            title={
              isEnded(crawl.state) ? "Left waiting, by clicks from the start" : "Waiting, by clicks from the start"
            }
          >
            <Queue queue={live.data.queue} />
          </Part>
          <Part title="Slowest hosts">
            <Hosts hosts={live.data.hosts} />
          </Part>
          {live.data.outages.length > 0 && (
            <Part title="Hosts that were away">
              {live.data.outages.map((one) => (
                <Apart key={`${one.authority} ${one.from}`} mb={0.5}>
                  <strong>{one.authority}</strong> couldn't be reached from {clock(one.from)}
                  {one.to ? ` to ${clock(one.to)}; it was waited for` : " on"}
                </Apart>
              ))}
            </Part>
          )}
          {live.data.spaces.length > 0 && (
            <Part title="Not fetched further">
              {live.data.spaces.map((space) => (
                <Box key={`${space.kind} ${space.space}`} sx={{ mb: 0.5, overflowWrap: "anywhere" }}>
                  <strong>{space.kind}</strong>: {space.space}, {counted(space.most, "page")} fetched
                </Box>
              ))}
            </Part>
          )}
          {live.data.workers.length > 0 && (
            <Part title="Workers">
              {live.data.workers.map((one) => (
                <div key={one.slot}>{one.worker}</div>
              ))}
            </Part>
          )}
        </Box>
      )}
    </Stack>
  );
}

function Heading({ crawl }: { crawl: Crawl }) {
  const { pause, resume, stop, judge, error } = useControls(crawl);
  return (
    <Inline gap={1.5} align="baseline">
      <Typography variant="h1">
        Crawl {crawl.number} {STATES[crawl.state]}
      </Typography>
      <Typography color="textSecondary">
        {crawl.started_at ? `begun ${moment(crawl.started_at)}` : "waiting for a worker"}
        {crawl.asked !== null && `, of ${counted(crawl.asked, "URL")} only`}
      </Typography>
      <Spacer />
      {error && <Typography sx={{ color: "rust" }}>{error.message}</Typography>}
      {crawl.state === "paused" ? (
        <Button variant="contained" disabled={resume.isPending} onClick={() => resume.mutate()}>
          Resume
        </Button>
      ) : (
        isFetching(crawl.state) && (
          <Button variant="outlined" disabled={pause.isPending} onClick={() => pause.mutate()}>
            Pause
          </Button>
        )
      )}
      {isFetching(crawl.state) && (
        <Button variant="outlined" color="error" disabled={stop.isPending} onClick={() => stop.mutate()}>
          Stop fetching
        </Button>
      )}
      {crawl.state === "failed" && crawl.progress.fetched > 0 && (
        <Button variant="contained" disabled={judge.isPending} onClick={() => judge.mutate()}>
          {crawl.judging_error ? "Judge it again" : "Judge what was fetched"}
        </Button>
      )}
      {crawl.state === "finished" && (
        <Button
          component={Link}
          to={screenAddress(crawl.site_id, String(crawl.id), crawl.scope === "whole" ? "read/trellis" : "read/ledger")}
          variant="contained"
        >
          {crawl.scope === "whole" ? "See where pages stop" : "See what was found"}
        </Button>
      )}
    </Inline>
  );
}

function Progress({ crawl }: { crawl: Crawl }) {
  if (isEnded(crawl.state)) return null;
  const { fetched, waiting } = crawl.progress;
  const known = crawl.state === "crawling" || crawl.state === "paused";
  return (
    <LinearProgress
      aria-label="Progress of the crawl"
      variant={known ? "determinate" : "indeterminate"}
      value={(100 * fetched) / Math.max(1, fetched + waiting)}
      sx={{ height: 8 }}
    />
  );
}

function Facts({ crawl }: { crawl: Crawl }) {
  const { progress } = crawl;
  const fetching = isFetching(crawl.state);
  const facts: [string, string][] = [
    ["fetched", count(progress.fetched)],
    [fetching ? "waiting" : "left unfetched", count(progress.waiting)],
    ["known URLs", count(progress.known_urls)],
    ["a second", progress.pages_per_second === null ? "–" : count(progress.pages_per_second)],
    ["read", bytes(progress.bytes)],
    ...(progress.retried > 0 ? [["tried again", count(progress.retried)] as [string, string]] : []),
    ...(progress.seconds_left !== null ? [["left, about", duration(progress.seconds_left)] as [string, string]] : []),
  ];
  return (
    <Inline component="dl" gap={5} align="stretch" m={0}>
      {facts.map(([name, value]) => (
        <Box key={name} sx={{ display: "flex", flexDirection: "column-reverse" }}>
          <Typography component="dt" variant="body2" color="textSecondary">
            {name}
          </Typography>
          <Box component="dd" sx={{ m: 0, fontSize: 28, fontWeight: 600, lineHeight: 1.15 }}>
            {value}
          </Box>
        </Box>
      ))}
    </Inline>
  );
}

function Notes({ crawl }: { crawl: Crawl }) {
  return (
    <>
      {crawl.message && <Alert severity="info">{crawl.message}</Alert>}
      {crawl.errors.map((one) => (
        <Alert key={one.url} severity="error">
          {one.url} could not be crawled: {one.reason}. Check the start URL and the hosts in scope.
        </Alert>
      ))}
    </>
  );
}

const Part = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" aria-label={title}>
    <Typography variant="h2" sx={{ borderBottom: 1, borderColor: "iron", pb: 0.5, mb: 1 }}>
      {title}
    </Typography>
    {children}
  </Box>
);
