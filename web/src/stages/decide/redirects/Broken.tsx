import { Inline, Clipped, Columns, Figure, PlainList, Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { type Crawl, type Schemas } from "../../../api/client";
import { counted, day } from "../../../kit/format";
import { UrlLink } from "../../../kit/parts";
import { type Wishes } from "../../../kit/useDecide";
import { WhyNot } from "../../../kit/WhyNot";
import { AlikeRow } from "./AlikeRow";
import { LeaveAsItIs } from "./LeaveAsItIs";
import { Settled } from "./Settled";
import { Target } from "./Target";
import { useBroken, Pick } from "./useBroken";

type Row = Schemas["Broken"]["rows"][number];

const COLUMNS = "28px minmax(0, 5fr) 60px 70px minmax(0, 7fr) 150px";

/** Addresses that answer no more, those with links in first, each with where it could lead and why. */
export function Broken({ site, crawl }: { site: number; crawl: Crawl }) {
  const { broken, picked, setPicked, ticked, setTicked, decide } = useBroken({ site, crawl });
  if (broken.state !== "ready") return <Unready screen={broken} />;
  const { rows, groups, total, suggested_at } = broken.data;
  const open = rows.filter((row) => row.decision === null && row.suggestions !== null);
  const chosen = open.filter((row) => ticked[row.url]);
  const send = (wishes: Wishes<"route">) =>
    decide.mutate({ kind: "route", wishes }, { onSuccess: () => setTicked({}) });
  const accept = () => send(Object.fromEntries(chosen.map((row) => [row.url, { ...(picked[row.url] ?? best(row)) }])));
  return (
    <Box sx={{ display: "grid", gridTemplateRows: "auto minmax(0, 1fr)", minHeight: 0 }}>
      <Inline gap={1.5} px={2.5} pb={1}>
        <Quiet role="status">
          {total === 0
            ? "Nothing that is linked to or listed is missing."
            : `${counted(total, "address", "addresses")} answer no more; ` +
              (suggested_at === null
                ? "targets are being looked for …"
                : `nothing was decided yet about ${open.length}.`)}
        </Quiet>
        <Inline align="stretch" ml="auto">
          <WhyNot error={decide.error} />
          <Button
            disabled={open.length === 0}
            onClick={() =>
              setTicked(chosen.length === open.length ? {} : Object.fromEntries(open.map((row) => [row.url, true])))
            }
          >
            {chosen.length === open.length && open.length > 0 ? "Tick none" : "Tick all"}
          </Button>
          <LeaveAsItIs
            urls={chosen.map((row) => row.url)}
            disabled={decide.isPending}
            leave={(why) =>
              send(Object.fromEntries(chosen.map((row) => [row.url, { status: 410, refused: true, why }])))
            }
          />
          <Button variant="contained" disabled={chosen.length === 0 || decide.isPending} onClick={accept}>
            Accept {chosen.length > 0 ? counted(chosen.length, "route") : "routes"}
          </Button>
        </Inline>
      </Inline>
      <Scroll>
        <Box
          aria-hidden
          sx={{
            display: "grid",
            gridTemplateColumns: COLUMNS,
            columnGap: 1.5,
            fontSize: 12,
            color: "text.secondary",
            borderBottom: "2px solid",
            borderColor: "iron",
          }}
        >
          <span />
          <span>Address</span>
          <Right>Status</Right>
          <Right>Links in</Right>
          <span>Should lead to</span>
          <span />
        </Box>
        {groups.length > 0 && (
          <PlainList aria-label="Lost addresses that look alike">
            {groups.map((group) => (
              <AlikeRow
                key={group.pattern}
                group={group}
                columns={COLUMNS}
                disabled={decide.isPending}
                accept={() =>
                  send({
                    [group.pattern]: {
                      to: group.to,
                      status: group.status,
                      kind: "pattern",
                      query: "drop",
                      why: `one rule for ${counted(group.count, "address", "addresses")} that look alike`,
                    },
                  })
                }
              />
            ))}
          </PlainList>
        )}
        <PlainList aria-label="Lost addresses">
          {rows.map((row) => (
            <Columns component="li" key={row.url_id} of={COLUMNS} across={1.5} align="start" ruled py={0.5}>
              <Checkbox
                size="small"
                sx={{ p: 0 }}
                checked={ticked[row.url] ?? false}
                disabled={row.decision !== null || row.suggestions === null}
                onChange={(_, checked) => setTicked({ ...ticked, [row.url]: checked })}
                slotProps={{ input: { "aria-label": `Tick ${row.url}` } }}
              />
              <Clipped>
                <UrlLink id={row.url_id} url={row.url} />
                <Quiet small>
                  {[
                    row.status < 400 && "redirected, but to nothing that answers",
                    row.listed && "listed in a sitemap",
                    (row.outside_links ?? 0) > 0 &&
                      `${counted(row.outside_links ?? 0, "page")} of other sites link here`,
                    (row.clicks ?? 0) > 0 && `it brought ${counted(row.clicks ?? 0, "click")}`,
                    row.last_fetched && `the index fetched it last on ${day(row.last_fetched)}`,
                    row.held?.title && `it was “${row.held.title}” in crawl ${row.held.crawl}`,
                  ]
                    .filter(Boolean)
                    .join(", ")}
                </Quiet>
              </Clipped>
              <Right>{row.status}</Right>
              <Right>{row.links_in}</Right>
              <Target
                row={row}
                pick={picked[row.url] ?? best(row)}
                choose={(pick) => setPicked({ ...picked, [row.url]: pick })}
              />
              <Settled site={site} crawl={crawl} decision={row.decision} />
            </Columns>
          ))}
        </PlainList>
      </Scroll>
    </Box>
  );
}

const Right = ({ children }: { children: React.ReactNode }) => <Figure component="span">{children}</Figure>;

function best(row: Row): Pick {
  const first = row.suggestions?.[0];
  return first ? { to: first.target, status: first.status, why: first.reasons[0] } : { to: null, status: 410 };
}
