import { Quiet } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { count } from "../../../kit/format";
import { LinkButton } from "../../../kit/LinkButton";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Plain } from "../../../kit/Plain";
import { SiteUrl } from "../../../kit/SiteUrl";
import type { FaultSum } from "./types";
import type { PlacesQuery } from "./useOccurrences";
import { useGatheredPlaces } from "./useGatheredPlaces";

/** The occurrences of a fault gathered by what is the same: one heading on forty pages, one dead target on all. */
export function GatheredPlaces({ crawl, rule, query }: { crawl: number; rule: FaultSum; query: PlacesQuery }) {
  const { change, gathered } = useGatheredPlaces({ crawl, rule, query });
  if (gathered.state !== "ready") return <Unready screen={gathered} />;
  const { name, rows } = gathered.data;
  if (rows.length === 0) return <Quiet py={1}>None of its places has that.</Quiet>;
  return (
    <Plain
      label={`Gathered: ${rule.title}`}
      columns={[
        { name },
        { name: "On so many URLs", width: 120, right: true },
        { name: "The one that matters most", width: "34%" },
        { name: "Importance", width: 82, right: true },
      ]}
    >
      {rows.map((row) => (
        <tr key={row.same}>
          <td title={row.same}>
            <LinkButton act={() => change({ same: row.same, as: undefined }, true)}>
              {/^https?:\/\//.test(row.same) ? <SiteUrl url={row.same} size={12} /> : <bdi>{row.same}</bdi>}
            </LinkButton>
          </td>
          <td className="number">{count(row.urls)}</td>
          <td>
            <OpenUrl id={row.url_id} url={row.url} />
          </td>
          <td className="number">{row.importance?.toFixed(1) ?? ""}</td>
        </tr>
      ))}
    </Plain>
  );
}
