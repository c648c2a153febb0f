import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useTheme } from "@mui/material/styles";
import type { Crawl } from "../../../api/client";
import { count, counted, day } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Apart, Inline, Quiet, Scroll } from "../../../kit/pieces";
import { STANDINGS } from "../../../kit/standings";
import { Unready } from "../../../kit/Unready";
import { bands, outline } from "./bands";
import { bandColour, Mark } from "./Mark";
import { type StandingHistory, useHistory } from "./useStanding";

const WIDTH = 1000;
const HEIGHT = 230;

/** Pages by standing, evidence by evidence, with crawls and decisions as pegs under them. */
export function OverTime({ crawl }: { crawl: Crawl }) {
  const { group, choose, history } = useHistory(crawl);
  if (history.state !== "ready") return <Unready screen={history} />;
  const { days, growth } = history.data;
  return (
    <Scroll component="section" aria-label="Over time" tabIndex={0}>
      <Inline gap={2} align="baseline">
        <Quiet>{group === undefined ? "All groups" : `Only ${group}`}</Quiet>
        {group !== undefined && (
          <Button size="small" onClick={() => choose(undefined)}>
            All groups
          </Button>
        )}
      </Inline>
      {growth && (
        <Box component="p" sx={{ m: 0, my: 1, fontSize: 15 }}>
          What is in the index and brings no visits grew from {count(growth.from)} to {count(growth.to)} since{" "}
          {day(growth.since)}: {count(growth.part)} of it{" "}
          <Button size="small" onClick={() => choose(growth.group)} sx={{ fontSize: 15, p: 0, minWidth: 0 }}>
            {growth.group}
          </Button>
          .
        </Box>
      )}
      <Drawing history={history.data} />
      <DayTable days={days} />
      <ToIndex rows={history.data.to_index} />
    </Scroll>
  );
}

const statesOf = (days: StandingHistory["days"]) =>
  Object.keys(STANDINGS).filter((state) => days.some((one) => one.states[state]));

function Drawing({ history }: { history: StandingHistory }) {
  const { palette } = useTheme();
  const { days } = history;
  const states = statesOf(days);
  const first = Date.parse(days[0]?.day ?? "");
  const span = Date.parse(days.at(-1)?.day ?? "") - first;
  const at = (text: string) => (span === 0 ? WIDTH / 2 : ((Date.parse(text) - first) / span) * WIDTH);
  const pegs = [
    ...history.crawls.map((one) => ({ at: one.at, text: `Crawl ${one.number}`, crawl: true })),
    ...history.decisions.map((one) => ({
      at: one.day,
      text: `${counted(one.count, "decision")} (${one.kind})`,
      crawl: false,
    })),
  ].filter((one) => at(one.at) >= 0 && at(one.at) <= WIDTH + 30);
  return (
    <Box sx={{ maxWidth: 1180 }}>
      <svg
        viewBox={`-26 -6 ${WIDTH + 62} ${HEIGHT + 54}`}
        width="100%"
        role="img"
        aria-label="Pages by standing over time"
      >
        {bands(days, states, WIDTH, HEIGHT).map((band) => (
          <path
            key={band.state}
            d={outline(band, WIDTH)}
            fill={palette[bandColour(band.state)]}
            fillOpacity={0.75}
            stroke={palette.background.default}
            strokeWidth={1.5}
          >
            <title>{STANDINGS[band.state]}</title>
          </path>
        ))}
        <line x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} stroke={palette.iron} strokeWidth={3} />
        {days.map((one) => (
          <g key={one.day}>
            <line x1={at(one.day)} x2={at(one.day)} y1={HEIGHT} y2={HEIGHT + 6} stroke={palette.iron} />
            <text x={at(one.day)} y={HEIGHT + 20} fontSize={12} fill={palette.text.secondary} textAnchor="middle">
              {day(one.day)}
            </text>
          </g>
        ))}
        {pegs.map((peg, place) => (
          <g key={place}>
            <title>{peg.text}</title>
            <path
              d={`M${Math.min(at(peg.at), WIDTH + 20)},${HEIGHT + 28}v${peg.crawl ? 16 : 10}`}
              stroke={peg.crawl ? palette.iron : palette.verdigris}
              strokeWidth={peg.crawl ? 4 : 3}
            />
          </g>
        ))}
      </svg>
      <Inline gap={2} align="stretch" wrap mb={2}>
        {states.map((state) => (
          <Inline key={state} gap={0.75}>
            <Mark state={state} /> {STANDINGS[state]}
          </Inline>
        ))}
        <Quiet component="span">thick pegs: crawls; thin ones: decisions</Quiet>
      </Inline>
    </Box>
  );
}

const CELLS = {
  borderCollapse: "collapse",
  "& th, & td": { px: 1.25, py: 0.4, textAlign: "right", borderBottom: 1, borderColor: "divider" },
  "& th:first-of-type, & td:first-of-type": { textAlign: "left" },
} as const;

function DayTable({ days }: { days: StandingHistory["days"] }) {
  const states = statesOf(days);
  return (
    <Part title="In numbers" level="h2">
      <Box component="table" sx={CELLS}>
        <thead>
          <tr>
            <th>Evidence of</th>
            {states.map((state) => (
              <th key={state}>{STANDINGS[state]}</th>
            ))}
            <th>in it and of no use</th>
          </tr>
        </thead>
        <tbody>
          {[...days].reverse().map((one) => (
            <tr key={one.day}>
              <td>{day(one.day)}</td>
              {states.map((state) => (
                <td key={state}>{count(one.states[state] ?? 0)}</td>
              ))}
              <td>{count(one.useless)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Part>
  );
}

function ToIndex({ rows }: { rows: StandingHistory["to_index"] }) {
  if (rows.length === 0) return null;
  return (
    <Apart mt={2} mb={3}>
      <Part title="Days from being heard of to being in the index" level="h2">
        <Box component="table" sx={CELLS}>
          <thead>
            <tr>
              <th>Group</th>
              <th>Heard of in</th>
              <th>Pages</th>
              <th>Days, half of them</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.group} ${row.month}`}>
                <td>{row.group}</td>
                <td>{row.month}</td>
                <td>{count(row.urls)}</td>
                <td>{row.days === null ? "–" : count(row.days)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Part>
    </Apart>
  );
}
