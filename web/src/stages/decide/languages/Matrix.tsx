import { Apart, Inline, Quiet, Wrong } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type Crawl, type Schemas } from "../../../api/client";
import { UrlLink } from "../../../kit/parts";
import { MONO } from "../../../theme";
import { SetEditor } from "./SetEditor";
import { useMatrix } from "./useMatrix";
import { SiteUrl } from "../../../kit/SiteUrl";

type LanguageMatrix = Schemas["LanguageMatrix"];
type Row = LanguageMatrix["rows"][number];
type Cell = Row["cells"][number];

/** Who names whom in one set, and the whole set as every page should carry it. */
export function Matrix({ site, crawl, first }: { site: number; crawl: Crawl; first: string }) {
  const { editing, setEditing, matrix } = useMatrix({ crawl, first });
  if (matrix.state !== "ready") return <Unready screen={matrix} />;
  const { rows, columns, pages, decision, notes } = matrix.data;
  return (
    <Box sx={{ overflow: "auto", px: 2.5, py: 1.5, bgcolor: "background.paper" }}>
      <Inline gap={1.5} align="baseline" mb={1}>
        <Quiet>A row names the columns; two pages must name each other, or neither counts.</Quiet>
        <Button sx={{ ml: "auto" }} variant="outlined" onClick={() => setEditing(!editing)}>
          {editing ? "As it is" : "Change the pages"}
        </Button>
      </Inline>
      <Box sx={{ overflowX: "auto" }}>
        <Box
          component="table"
          aria-label="Who names whom"
          sx={{ borderCollapse: "collapse", "& th": { fontWeight: 500, textAlign: "left", pr: 1.5 } }}
        >
          <thead>
            <tr>
              <th scope="col">Page</th>
              {Object.keys(columns).map((code) => (
                <Box
                  component="th"
                  scope="col"
                  key={code}
                  title={columns[code]}
                  sx={{ fontFamily: MONO, fontSize: 12, "&&": { textAlign: "center", px: 0.5 }, minWidth: 74 }}
                >
                  {code}
                </Box>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.url}>
                <Box component="th" scope="row" sx={{ maxWidth: 330, overflow: "hidden" }}>
                  {row.url_id ? <UrlLink id={row.url_id} url={row.url} /> : <SiteUrl url={row.url} size={12} />}
                  <Box sx={{ fontSize: 12, color: stands(row) ? "text.secondary" : "rust" }}>
                    {new URL(row.url).host} · {condition(row)}
                  </Box>
                </Box>
                {row.cells.map((cell) => (
                  <Shown key={cell.code} cell={cell} />
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      <Apart mt={1.5}>{explained(matrix.data, notes)}</Apart>
      <SetEditor
        key={`${first} ${decision?.id ?? ""}`}
        site={site}
        crawl={crawl}
        pages={pages}
        decision={decision}
        editing={editing}
      />
    </Box>
  );
}

const SOURCES: Record<string, string> = { html: "head", header: "header", sitemap: "sitemap" };

function Shown({ cell }: { cell: Cell }) {
  const look = {
    itself: { bgcolor: "rgba(42,112,98,0.18)", color: "text.primary", text: "itself" },
    named: {
      bgcolor: "rgba(134,168,115,0.18)",
      color: "text.primary",
      text: cell.sources.map((one) => SOURCES[one] ?? one).join(", "),
    },
    other: { bgcolor: "rgba(138,100,22,0.14)", color: "brass", text: "another" },
    hole: { bgcolor: "transparent", color: "rust", text: "no return link" },
  }[cell.state];
  return (
    <Box
      component="td"
      title={cell.clash ? "Its sources say different things" : (cell.target ?? "It names no page for this code")}
      sx={{
        textAlign: "center",
        fontSize: 12,
        height: 40,
        px: 0.75,
        border: 1,
        borderColor: cell.state === "hole" ? "rust" : "divider",
        borderStyle: cell.state === "hole" ? "dashed" : "solid",
        bgcolor: look.bgcolor,
        color: look.color,
        fontWeight: cell.state === "named" ? 400 : 650,
      }}
    >
      {look.text}
      {cell.clash && <Wrong small>clash</Wrong>}
    </Box>
  );
}

const stands = (row: Row) =>
  row.status === 200 && !row.noindex && row.allowed !== false && !row.diverted && row.redirect_to === null;

/** What keeps a page from being a member that counts. */
function condition(row: Row) {
  if (row.redirect_to) return `redirected, ${row.status}`;
  if (row.allowed === false) return "blocked by robots.txt";
  if (row.status !== null && row.status !== 200) return `status ${row.status}`;
  if (row.status === null) return "not fetched";
  if (row.noindex) return "noindex";
  if (row.diverted) return "its canonical is another page";
  return row.lang ?? "no lang";
}

function explained(matrix: LanguageMatrix, notes: string[]) {
  const without = matrix.rows.filter((row) => row.cells.every((cell) => cell.state === "hole"));
  if (without.length > 0)
    return (
      <>
        <strong>
          {without.map((row) => new URL(row.url).host + new URL(row.url).pathname).join(" and ")}{" "}
          {without.length === 1 ? "has" : "have"} no return link to the others.
        </strong>{" "}
        {without.length === 1 ? "What names it doesn’t count." : "What names them doesn’t count."}
      </>
    );
  return notes.length === 0 ? "The set is whole." : `${notes.join(", ")}.`;
}
