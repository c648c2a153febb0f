import { count } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import type { Row } from "./useQueries";

/** A row a page: what it is found for, in numbers; its dossier tells the queries. */
export function ByPage({ rows }: { rows: Row[] }) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="Pages">
      <Roomy label="Pages" columns={["Page", "Title", "Near wins", "Queries", "Impressions", "Clicks"]}>
        {rows.map((row) => (
          <tr key={row.url_id}>
            <td>{row.url && <OpenUrl id={row.url_id ?? ""} url={row.url} />}</td>
            <td>
              <Quiet component="span">{row.title}</Quiet>
            </td>
            <td>{count(Number(row.near ?? 0))}</td>
            <td>{count(row.queries ?? 0)}</td>
            <td>{count(row.impressions)}</td>
            <td>{count(row.clicks)}</td>
          </tr>
        ))}
      </Roomy>
    </Scroll>
  );
}
