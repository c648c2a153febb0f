import { day } from "../../../kit/format";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { SiteUrl } from "../../../kit/SiteUrl";
import { STANDINGS } from "../../../kit/standings";
import type { Requests } from "./useRequests";

const STATES = { asked: "asked for", refused: "refused", skipped: "passed over" };

/** What was asked for, and what the index did then. */
export function Past({ rows }: { rows: Requests["past"] }) {
  if (rows.length === 0) return <Quiet>Nothing was asked for yet.</Quiet>;
  return (
    <Roomy label="What became of it" columns={["Page", "Index", "On", "What", "Fetched", "Days", "Stands now", "Why"]}>
      {rows.map((one, place) => (
        <tr key={place}>
          <td>
            <SiteUrl url={one.url} />
          </td>
          <td>{one.index}</td>
          <td>{one.asked_at ? day(one.asked_at) : "–"}</td>
          <td>
            {STATES[one.state]}
            {one.reason && <Quiet small>{one.reason}</Quiet>}
          </td>
          <td>{one.fetched_on ? day(one.fetched_on) : "not yet"}</td>
          <td>{one.days ?? "–"}</td>
          <td>{one.standing ? STANDINGS[one.standing as keyof typeof STANDINGS] : "–"}</td>
          <td>{one.why}</td>
        </tr>
      ))}
    </Roomy>
  );
}
