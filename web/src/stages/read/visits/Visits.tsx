import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useTheme } from "@mui/material/styles";
import type { Crawl } from "../../../api/client";
import { count, counted, day, share } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Part } from "../../../kit/parts";
import { Inline, Column, Columns, Quiet, Scroll } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import { SPENT, useVisits, type VisitsOf } from "./useVisits";

/** What search crawlers really fetched, by the site's access logs. */
export default function Visits() {
  const crawl = useFinished("Visits are laid beside pages once a crawl is finished.");
  return crawl.state === "ready" ? <VisitsTo crawl={crawl.data} /> : <Unready screen={crawl} />;
}

function VisitsTo({ crawl }: { crawl: Crawl }) {
  const { agent, choose, visits } = useVisits(crawl);
  if (visits.state !== "ready") return <Unready screen={visits} />;
  const found = visits.data;
  if (found.agents.length === 0)
    return (
      <>
        <Title>Visits</Title>
        <Unready
          screen={{
            state: "empty",
            why:
              "No access log was brought yet. Bring one under Crawl, Evidence: it tells which pages search crawlers " +
              "never came to.",
          }}
        />
      </>
    );
  const all = found.spent.reduce((sum, one) => sum + one.requests, 0);
  return (
    <Scroll tabIndex={0} role="region" aria-label="Visits">
      <Title>Visits</Title>
      <Inline wrap py={1.25}>
        <Button size="small" variant={agent === undefined ? "contained" : "outlined"} onClick={() => choose(undefined)}>
          All crawlers
        </Button>
        {found.agents.map((one) => (
          <Button
            key={one.agent}
            size="small"
            variant={agent === one.agent ? "contained" : "outlined"}
            onClick={() => choose(one.agent)}
            title={one.verified === one.requests ? "Its addresses are those you gave" : "It claims to be so"}
          >
            {one.agent}: {count(one.requests)}
            {one.verified === one.requests
              ? ""
              : one.verified > 0
                ? ` (${count(one.verified)} shown to be it)`
                : " (claims to be)"}
          </Button>
        ))}
        <Quiet component="span">
          {found.agents[0] &&
            `${day(found.agents.map((one) => one.from).sort()[0] ?? "")} to ${day(
              found.agents
                .map((one) => one.to)
                .sort()
                .at(-1) ?? "",
            )}`}
        </Quiet>
      </Inline>
      <Columns of="minmax(0, 3fr) minmax(0, 2fr)" gap={3}>
        <Column>
          <Part title="What the fetches were spent on" level="h2">
            <Days found={found} />
            {found.spent.map((one) => (
              <Line
                key={one.key}
                name={SPENT[one.key] ?? one.key}
                colour={COLOURS[one.key]}
                told={`${counted(one.requests, "fetch", "fetches")}, ${share(one.requests / all)}`}
              />
            ))}
          </Part>
          <Part title="Should be indexed, and never fetched" level="h2">
            {found.unseen.total === 0 ? (
              <Quiet>Every such page was fetched.</Quiet>
            ) : (
              <>
                <Quiet>{counted(found.unseen.total, "page")}, the most important first</Quiet>
                {found.unseen.rows.slice(0, 40).map((one) => (
                  <div key={one.url_id}>
                    <OpenUrl id={one.url_id} url={one.url} />
                  </div>
                ))}
              </>
            )}
          </Part>
        </Column>
        <Column>
          <Part title="By group" level="h2">
            {found.groups.map((one) => (
              <Line
                key={one.key}
                name={one.key}
                told={`${counted(one.requests, "fetch", "fetches")} of ${counted(one.urls, "URL")}`}
              />
            ))}
          </Part>
          <Part title="By status" level="h2">
            {found.statuses.map((one) => (
              <Line
                key={one.key}
                name={String(one.key)}
                told={`${counted(one.requests, "fetch", "fetches")} of ${counted(one.urls, "URL")}`}
              />
            ))}
          </Part>
        </Column>
      </Columns>
    </Scroll>
  );
}

type Colour = "verdigris" | "moss" | "heather" | "brass" | "rust" | "iron";

/** What a fetch was spent on, by the colour of its bars. */
const COLOURS: Record<string, Colour> = {
  wanted: "verdigris",
  other: "moss",
  kept_out: "heather",
  redirect: "brass",
  missing: "rust",
  failing: "iron",
};

const Line = ({ name, told, colour }: { name: string; told: string; colour?: Colour | undefined }) => (
  <Inline align="baseline" py={0.2}>
    {colour && <Box component="span" sx={{ width: 10, height: 10, bgcolor: colour }} />}
    <Box component="span" sx={{ flexGrow: 1 }}>
      {name}
    </Box>
    <Quiet component="span">{told}</Quiet>
  </Inline>
);

const WIDTH = 700;
const HEIGHT = 110;
// A day's name is so wide.
const LABEL = 40;

function Days({ found }: { found: VisitsOf }) {
  const { palette } = useTheme();
  const most = Math.max(1, ...found.days.map((one) => Object.values(one.spent).reduce((sum, part) => sum + part, 0)));
  const wide = WIDTH / Math.max(1, found.days.length);
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 18}`} width="100%" role="img" aria-label="Fetches by day">
      {found.days.map((one, place) => {
        let below = HEIGHT;
        return (
          <g key={one.day}>
            {Object.keys(SPENT).map((key) => {
              const tall = ((one.spent[key] ?? 0) / most) * HEIGHT;
              below -= tall;
              return (
                <rect
                  key={key}
                  x={place * wide + 1}
                  y={below}
                  width={Math.max(1, wide - 2)}
                  height={tall}
                  fill={palette[COLOURS[key] ?? "iron"]}
                >
                  <title>
                    {day(one.day)}: {SPENT[key]}, {one.spent[key] ?? 0}
                  </title>
                </rect>
              );
            })}
            {place % Math.ceil(found.days.length / 8) === 0 && (
              <text
                x={Math.min(place * wide, WIDTH - LABEL)}
                y={HEIGHT + 14}
                fontSize={11}
                fill={palette.text.secondary}
              >
                {day(one.day)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
