import Box from "@mui/material/Box";
import type { Theme } from "@mui/material/styles";
import { Link } from "react-router";
import type { Crawl } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import type { Condition } from "../../../kit/conditions";
import { count, counted, day } from "../../../kit/format";
import { Apart, Inline, Columns, Quiet, Scroll } from "../../../kit/pieces";
import { STANDINGS } from "../../../kit/standings";
import { Unready } from "../../../kit/Unready";
import { changed } from "./change";
import { Mark } from "./Mark";
import { type StandingNow, useNow } from "./useStanding";

type Field = StandingNow["fields"][number];

/** In or out against what should be: four fields around two bars; under them each group's pages, a mark a standing. */
export function Now({ crawl }: { crawl: Crawl }) {
  const now = useNow(crawl);
  if (now.state !== "ready") return <Unready screen={now} />;
  const { date, before, fields, groups, states } = now.data;
  const field = (wanted: boolean, inside: boolean) => fields.find((one) => one.wanted === wanted && one.in === inside);
  return (
    <Scroll component="section" aria-label="What the index holds now" tabIndex={0}>
      <Quiet>
        By the evidence of {date && day(date)}
        {before && `, against that of ${day(before)}`}
      </Quiet>
      <Columns of="84px minmax(0, 1fr) 6px minmax(0, 1fr)" mt={1}>
        <span />
        <Heading>In the index</Heading>
        <span />
        <Heading>Not in the index</Heading>
        <Side>Should be indexed</Side>
        <FieldOf field={field(true, true)} good />
        <Bar />
        <FieldOf field={field(true, false)} />
        <Box sx={{ gridColumn: "2 / -1", height: 6, bgcolor: "iron" }} />
        <Side>Should not, or nothing decided</Side>
        <FieldOf field={field(false, true)} />
        <Bar />
        <FieldOf field={field(false, false)} good />
      </Columns>
      <Groups groups={groups} states={states} />
    </Scroll>
  );
}

const Heading = ({ children }: { children: string }) => (
  <Box component="h2" sx={{ m: 0, px: 1.5, pb: 0.5, fontSize: 13.5, color: "text.secondary", fontWeight: 500 }}>
    {children}
  </Box>
);

const Side = ({ children }: { children: string }) => (
  <Box sx={{ gridColumn: 1, alignSelf: "center", color: "text.secondary", pr: 1 }}>{children}</Box>
);

const Bar = () => <Box sx={{ bgcolor: "iron" }} />;

const conditions = (field: Field): Condition[] => [
  { field: "wanted", op: "is", value: field.wanted },
  { field: "standing", op: field.in ? "is" : "is_not", value: "in_index" },
  { field: "standing", op: "filled" },
];

function FieldOf({ field, good = false }: { field: Field | undefined; good?: boolean }) {
  const { to } = useAddress();
  if (!field) return <span />;
  const colour = (theme: Theme) => (good ? theme.palette.verdigris : theme.palette.rust);
  return (
    <Box sx={{ p: 1.5, minHeight: 108, display: "grid", gridTemplateColumns: "auto minmax(0, 1fr)", gap: 2 }}>
      <div>
        <Box
          component={Link}
          to={to("read/ledger", narrowed(...conditions(field)))}
          sx={{
            fontSize: 28,
            lineHeight: 1.1,
            color: field.urls === 0 ? "text.secondary" : colour,
            textDecorationThickness: 1,
          }}
        >
          {count(field.urls)}
        </Box>
        <Quiet>{changed(field.change)}</Quiet>
      </div>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
        {field.groups.map((one) => (
          <Inline component="li" key={one.group} align="stretch">
            <Link
              to={to("read/ledger", narrowed(...conditions(field), { field: "group", op: "is", value: one.group }))}
            >
              {one.group}
            </Link>
            <span>{count(one.urls)}</span>
            <Quiet component="span">{one.change ? changed(one.change) : ""}</Quiet>
          </Inline>
        ))}
      </Box>
    </Box>
  );
}

function Groups({ groups, states }: Pick<StandingNow, "groups" | "states">) {
  const { to } = useAddress();
  const most = Math.max(1, ...groups.map((one) => one.urls));
  return (
    <Apart mt={3} mb={2}>
      <Inline gap={2} align="stretch" wrap mb={1}>
        {states.map((one) => (
          <Inline key={one.state} gap={0.75}>
            <Mark state={one.state} />
            <span>
              {STANDINGS[one.state]} {count(one.urls)}
            </span>
            <Quiet component="span">{one.change ? changed(one.change) : ""}</Quiet>
          </Inline>
        ))}
      </Inline>
      {groups.map((group) => (
        <Columns key={group.group} of="150px minmax(0, 1fr) 190px" gap={1.5} align="center" py={0.25}>
          <Link to={to("read/ledger", narrowed({ field: "group", op: "is", value: group.group }))}>{group.group}</Link>
          <Box sx={{ display: "flex", height: 14, width: `${Math.max(2, 100 * Math.sqrt(group.urls / most))}%` }}>
            {states
              .filter((one) => group.states[one.state])
              .map((one) => (
                <Mark key={one.state} state={one.state} part={group.states[one.state] ?? 0} />
              ))}
          </Box>
          <Quiet>
            {count(group.states.in_index ?? 0)} of {counted(group.urls, "URL")} in
          </Quiet>
        </Columns>
      ))}
    </Apart>
  );
}
