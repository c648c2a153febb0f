import type { ReactNode } from "react";
import { count, counted, day } from "../../../kit/format";
import { Facts, Part } from "../../../kit/parts";
import { Apart, Quiet } from "../../../kit/pieces";
import { Plain } from "../../../kit/Plain";
import { STANDINGS } from "../../../kit/standings";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Months } from "./Months";
import { StoredAndNow } from "./StoredAndNow";
import { type PageInIndex, useInIndex } from "./useInIndex";

/** What indexes, the search record, other sites and logs say of the page. */
export function InIndex({ crawl, url }: { crawl: number; url: string }) {
  const { data: page } = useInIndex({ crawl, url });
  if (!page) return null;
  const { now } = page;
  const any =
    now.standing !== null || page.months.length > 0 || page.outside_links.length > 0 || page.visits.length > 0;
  return (
    <Part title="In the index">
      {!any && <Quiet>No evidence speaks of this page.</Quiet>}
      {now.standing !== null && <Now page={page} />}
      {now.standing !== null && page.askable && <StoredAndNow key={url} crawl={crawl} url={url} />}
      {page.months.length > 0 && <Months page={page} />}
      <Queries rows={page.queries} />
      <Standings page={page} />
      <Outside page={page} />
    </Part>
  );
}

function Now({ page }: { page: PageInIndex }) {
  const { now } = page;
  const first = page.standings.find((one) => one.first_seen);
  const rows: [string, ReactNode][] = [
    [
      "It is",
      <>
        <strong>{STANDINGS[now.standing ?? ""]}</strong>
        {now.standing_date && ` by the evidence of ${day(now.standing_date)}`}
        {now.standing_reason && <Quiet>{now.standing_reason}</Quiet>}
        {now.dropped && <Quiet>It was in the index, or brought clicks, before.</Quiet>}
      </>,
    ],
  ];
  if (first?.first_seen)
    rows.push(["Heard of", `${day(first.first_seen)}${first.found_by ? `, by ${first.found_by}` : ""}`]);
  if (now.last_fetched) rows.push(["Last fetched", day(now.last_fetched)]);
  if (now.chosen_canonical_by_index)
    rows.push([
      "Kept under",
      <>
        <SiteUrl url={now.chosen_canonical_by_index} size={12} />
        <Quiet>
          {page.declared_canonical === now.chosen_canonical_by_index
            ? "which it names as its canonical"
            : page.declared_canonical
              ? `though it names ${page.declared_canonical} as its canonical`
              : "though it names no canonical"}
        </Quiet>
      </>,
    ]);
  if (now.clicks !== null)
    rows.push([
      "6 months",
      `${counted(now.clicks, "click")}, ${counted(now.impressions ?? 0, "impression")}` +
        (now.position === null ? "" : `, mean place ${now.position}`),
    ]);
  if (now.goals?.length) rows.push(["Goals", now.goals.join(", ")]);
  for (const one of page.requests.slice(0, 3))
    rows.push(["Asked for", `${day(one.asked_on)} to be fetched again: ${one.state}`]);
  for (const one of page.hides)
    rows.push([
      one.only_copy ? "Stored copy cleared" : "Hidden",
      `since ${day(one.asked_on)}, shown again from ${day(one.ends_on)}`,
    ]);
  return <Facts rows={rows} />;
}

const QUERIES = [
  { name: "Query" },
  { name: "Place", width: 52, right: true },
  { name: "Impressions", width: 86, right: true },
  { name: "Clicks", width: 52, right: true },
];

function Queries({ rows }: { rows: PageInIndex["queries"] }) {
  if (rows.length === 0) return null;
  return (
    <Plain label="Queries that it is found for" columns={QUERIES}>
      {rows.map((row) => (
        <tr key={row.query}>
          <td>{row.query}</td>
          <td className="number">{row.position ?? "–"}</td>
          <td className="number">{count(row.impressions)}</td>
          <td className="number">{count(row.clicks)}</td>
        </tr>
      ))}
    </Plain>
  );
}

/** Only where it changed: from evidence to evidence most say the same. */
function Standings({ page }: { page: PageInIndex }) {
  const changes = page.standings.filter((one, place) => one.state !== page.standings[place + 1]?.state);
  if (changes.length < 2) return null;
  return (
    <Apart mt={1}>
      {changes.map((one) => (
        <Quiet key={`${one.day} ${one.index}`} small>
          since {day(one.day)}: {STANDINGS[one.state]}
          {one.reason && `, ${one.reason}`}
        </Quiet>
      ))}
    </Apart>
  );
}

function Outside({ page }: { page: PageInIndex }) {
  return (
    <>
      {page.outside_links.length > 0 && (
        <Apart mt={1}>
          <strong>Links from other sites</strong>
          {page.outside_links.slice(0, 8).map((one) => (
            <Quiet key={`${one.source} ${one.anchor}`} small>
              {one.source} {one.anchor && `“${one.anchor}”`}
            </Quiet>
          ))}
        </Apart>
      )}
      {page.visits.length > 0 && (
        <Apart mt={1}>
          <strong>Fetched by crawlers</strong>
          {page.visits.map((one) => (
            <Quiet key={one.agent} small>
              {one.agent}
              {one.verified ? "" : " (claims to be)"}: {counted(one.requests, "time")}, last {day(one.last)} with status{" "}
              {one.status}
            </Quiet>
          ))}
        </Apart>
      )}
    </>
  );
}
