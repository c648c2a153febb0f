import Box from "@mui/material/Box";
import { count } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Quiet, Scroll } from "../../../kit/pieces";
import type { Row } from "./useQueries";

/** A row a page: what it is found for, in numbers; its dossier tells the queries. */
export function ByPage({ rows }: { rows: Row[] }) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="Pages">
      <Box
        component="table"
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          "& th": { textAlign: "left", color: "text.secondary", fontWeight: 500, fontSize: 12 },
          "& th, & td": { px: 0.75, py: 0.6, borderBottom: 1, borderColor: "divider" },
        }}
      >
        <thead>
          <tr>
            <th>Page</th>
            <th>Title</th>
            <th>Near wins</th>
            <th>Queries</th>
            <th>Impressions</th>
            <th>Clicks</th>
          </tr>
        </thead>
        <tbody>
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
        </tbody>
      </Box>
    </Scroll>
  );
}
