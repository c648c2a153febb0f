import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { count, counted } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Inline, Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { placeOf } from "./place";
import type { Marking } from "./useMarkedText";
import type { Row } from "./useQueries";
import { Words } from "./Words";

type Props = {
  rows: Row[];
  band: { first: number; last: number };
  mark: (marking: Marking) => void;
  write: (row: Row) => void;
};

/** A row a query: its place as a peg on a rule with the band of near wins shaded, and its pages with their words. */
export function ByQuery({ rows, band, mark, write }: Props) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="Queries">
      <Roomy
        label="Queries"
        columns={["Query", "Impressions", "Clicks", "Place, from 1 to 100", "Pages, and which words they have"]}
      >
        {rows.map((row) => (
          <tr key={row.query}>
            <td>
              <strong>{row.query}</strong>
              <Button
                size="small"
                sx={{ py: 0, px: 0.5 }}
                onClick={() => write(row)}
                aria-label={`Make a fix for “${row.query}”`}
              >
                Make a fix
              </Button>
              {row.competing && <Quiet small>{counted(row.page_count ?? 0, "page")} compete for it</Quiet>}
            </td>
            <td>{count(row.impressions)}</td>
            <td>{count(row.clicks)}</td>
            <Box component="td" sx={{ width: 190 }}>
              <Rule position={row.position ?? null} band={band} />
            </Box>
            <td>
              {row.pages?.map((page) => (
                <Inline key={page.url_id} wrap>
                  {page.url ? (
                    <OpenUrl id={page.url_id} url={page.url} />
                  ) : (
                    <Quiet component="span">no longer known</Quiet>
                  )}
                  <Words words={page.words} />
                  {page.words.length > 0 && (
                    <Button
                      size="small"
                      sx={{ py: 0, minWidth: 0 }}
                      aria-label={`Show the words of “${row.query}” in ${page.url}`}
                      onClick={() => mark({ query: row.query ?? "", url: page.url_id })}
                    >
                      Show
                    </Button>
                  )}
                  {(row.pages?.length ?? 0) > 1 && (
                    <Quiet component="span" small>
                      {counted(page.impressions, "impression")}, place {page.position ?? "–"}
                    </Quiet>
                  )}
                </Inline>
              ))}
            </td>
          </tr>
        ))}
      </Roomy>
    </Scroll>
  );
}

function Rule({ position, band }: { position: number | null; band: Props["band"] }) {
  const from = placeOf(band.first);
  return (
    <Inline>
      <Box component="span" sx={{ width: 34, textAlign: "right" }}>
        {position ?? "–"}
      </Box>
      <Box sx={{ position: "relative", flex: 1, height: 16 }}>
        <Box sx={{ position: "absolute", top: 7, left: 0, right: 0, height: 2, bgcolor: "divider" }} />
        <Box
          sx={{
            position: "absolute",
            top: 3,
            height: 10,
            left: `${from}%`,
            width: `${placeOf(band.last) - from}%`,
            bgcolor: "moss",
            opacity: 0.55,
          }}
        />
        {position !== null && (
          <Box
            sx={{
              position: "absolute",
              top: 0,
              left: `calc(${placeOf(position)}% - 1.5px)`,
              width: 3,
              height: 16,
              bgcolor: "iron",
            }}
          />
        )}
      </Box>
    </Inline>
  );
}
