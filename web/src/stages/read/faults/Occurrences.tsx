import { Quiet } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Button from "@mui/material/Button";
import { type Schemas } from "../../../api/client";
import { Detail } from "../../../kit/Detail";
import { count } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Plain, type PlainColumn } from "../../../kit/Plain";
import type { FaultSum } from "./types";
import { useOccurrences, PlacesQuery } from "./useOccurrences";

type Row = Schemas["FaultPlaces"]["rows"][number];

/** Each occurrence of a fault: the page on which it is mended, and what there is to know of it. */
export function Occurrences({ crawl, rule, query }: { crawl: number; rule: FaultSum; query: PlacesQuery }) {
  const { places, more } = useOccurrences({ crawl, rule, query });
  if (places.state !== "ready") return <Unready screen={places} />;
  const rows = places.data.pages.flatMap((page) => page.rows);
  const total = places.data.pages[0]?.total ?? 0;
  if (rows.length === 0) return <Quiet py={1}>None of its places has that.</Quiet>;
  const details = namesOf(rows);
  const columns: PlainColumn[] = [
    { name: PLACE[rule.code.split("-")[0] ?? ""] ?? "URL", width: details.length > 0 ? "27%" : undefined },
    ...details.map((one) => ({
      name: one.name,
      width: one.narrow ? 92 : one.name === "Place" ? 96 : undefined,
      right: one.narrow,
    })),
    { name: "Importance", width: 82, right: true },
  ].map(({ width, ...column }) => (width === undefined ? column : { ...column, width }));
  return (
    <>
      <Plain label={`Where: ${rule.title}`} columns={columns}>
        {rows.map((row) => (
          <tr key={`${row.url_id} ${row.about} ${JSON.stringify(row.details)}`}>
            <td>
              <OpenUrl id={row.url_id} url={row.url} />
            </td>
            {details.map((one) => {
              const detail = row.details.find((known) => known.name === one.name);
              return (
                <td key={one.name} className={one.narrow ? "number" : undefined}>
                  {detail && <Detail detail={detail} />}
                </td>
              );
            })}
            <td className="number">{row.importance?.toFixed(1) ?? ""}</td>
          </tr>
        ))}
      </Plain>
      {more.hasNextPage && (
        <Button onClick={() => void more.fetchNextPage()} disabled={more.isFetchingNextPage} sx={{ mt: 0.5 }}>
          Show more than {count(rows.length)} of {count(total)}
        </Button>
      )}
    </>
  );
}

/** What the first column names, where it isn't just the URL with the fault. */
const PLACE: Record<string, string> = {
  link: "Page with the link",
  outbound: "Page with the link",
  image: "Page with the image",
  redirect: "Redirecting URL",
};

const NARROW = new Set(["number", "bytes", "ms", "share"]);

/** What the occurrences tell, in the order in which it comes up. */
function namesOf(rows: Row[]) {
  const names = new Map<string, boolean>();
  for (const detail of rows.flatMap((row) => row.details))
    if (!names.has(detail.name)) names.set(detail.name, NARROW.has(detail.kind));
  return [...names].map(([name, narrow]) => ({ name, narrow }));
}
