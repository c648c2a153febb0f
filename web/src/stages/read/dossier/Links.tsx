import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { count } from "../../../kit/format";
import { Part, UrlLink } from "../../../kit/parts";

const FIRST = 40;

/** Links to the page or from it, with anchor text, place and whether they are followed. */
export function Links({ crawl, url, direction }: { crawl: number; url: string; direction: "in" | "out" }) {
  const links = useQuery({
    queryKey: ["links", crawl, url, direction],
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/urls/{url}/links", { params: { path: { crawl, url }, query: { direction } } })),
  });
  const rows = links.data?.rows.slice(0, FIRST) ?? [];
  const total = links.data?.total ?? 0;
  return (
    <Part title={direction === "in" ? `Links in (${count(total)})` : `Links out (${count(total)})`}>
      {links.error ? links.error.message : null}
      {links.data && rows.length === 0 ? "None." : null}
      {rows.length > 0 && (
        <Box
          component="table"
          sx={{
            width: "100%",
            tableLayout: "fixed",
            borderCollapse: "collapse",
            "& td, & th": {
              textAlign: "left",
              py: 0.25,
              pr: 1,
              overflow: "hidden",
              textOverflow: "ellipsis",
              whiteSpace: "nowrap",
            },
            "& th": { fontSize: 12, color: "text.secondary", fontWeight: 600 },
          }}
        >
          <thead>
            <tr>
              <th style={{ width: "46%" }}>{direction === "in" ? "From" : "To"}</th>
              <th>Text</th>
              <th style={{ width: 76 }}>Type</th>
              <th style={{ width: 60 }}>Place</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((link, at) => (
              <tr key={at}>
                <td>
                  <UrlLink id={link.url_id} url={link.url} />
                </td>
                <td title={link.text ?? undefined}>{link.text}</td>
                <td>
                  {link.type}
                  {link.followed ? "" : ", nofollow"}
                </td>
                <td>{link.place}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      {total > FIRST && <Box sx={{ color: "text.secondary", mt: 0.5 }}>and {count(total - FIRST)} more</Box>}
    </Part>
  );
}
