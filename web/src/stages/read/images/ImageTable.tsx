import { NoRows, Quiet } from "../../../kit/pieces";
import type { Schemas } from "../../../api/client";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { narrowed, useAddress } from "../../../kit/address";
import { bytes, count, counted } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";

type ImageRow = Schemas["ImageRow"];

type Props = {
  crawl: number;
  rows: ImageRow[];
  sort: string;
  setSort: (order: string) => void;
  more: (() => void) | undefined;
};

const COLUMNS: { name: string; sort?: string; width?: number | string; right?: boolean }[] = [
  { name: "Preview", width: 76 },
  { name: "File", sort: "name" },
  { name: "Size", sort: "bytes", width: 76, right: true },
  { name: "Status", sort: "status", width: 66, right: true },
  { name: "On pages", sort: "pages", width: 84, right: true },
  { name: "Alt missing", sort: "missing", width: 92, right: true },
  { name: "Alt empty", sort: "empty", width: 84, right: true },
  { name: "Alt text", width: "22%" },
  { name: "The page that matters most", width: "22%" },
];

/** One image a row, with a small picture of it. */
export function ImageTable({ crawl, rows, sort, setSort, more }: Props) {
  const { to } = useAddress();
  if (rows.length === 0) return <NoRows>No image meets this.</NoRows>;
  return (
    <Box sx={{ overflow: "auto", px: 2.5, borderTop: 1, borderColor: "divider" }}>
      <Box component="table" aria-label="Images" sx={TABLE}>
        <thead>
          <tr>
            {COLUMNS.map((column) => (
              <Heading key={column.name} column={column} sort={sort} setSort={setSort} />
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.url_id}>
              <td>
                <Preview crawl={crawl} row={row} />
              </td>
              <td>
                <OpenUrl id={row.url_id} url={row.url} />
              </td>
              <td className="number">{row.bytes === null ? "" : bytes(row.bytes)}</td>
              <td className="number">{row.status ?? row.error ?? ""}</td>
              <td className="number">
                <Link to={to("read/links", narrowed({ field: "target", op: "is", value: row.url }))}>
                  {count(row.pages)}
                </Link>
              </td>
              <td className="number">{row.missing > 0 ? count(row.missing) : ""}</td>
              <td className="number">{row.empty > 0 ? count(row.empty) : ""}</td>
              <td title={row.alt ?? undefined}>{row.alt}</td>
              <td>
                <OpenUrl id={row.page_id} url={row.page} />
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
      {more && (
        <Button onClick={more} sx={{ my: 1 }}>
          Show more than {counted(rows.length, "image")}
        </Button>
      )}
    </Box>
  );
}

type HeadingProps = { column: (typeof COLUMNS)[number]; sort: string; setSort: (order: string) => void };

function Heading({ column, sort, setSort }: HeadingProps) {
  const by = column.sort;
  const direction = !by ? undefined : sort === by ? "ascending" : sort === `-${by}` ? "descending" : undefined;
  return (
    <Box
      component="th"
      scope="col"
      aria-sort={by ? (direction ?? "none") : undefined}
      sx={{ width: column.width, "&&": { textAlign: column.right ? "right" : "left" } }}
    >
      {by ? (
        <Box
          component="button"
          type="button"
          onClick={() => setSort(sort === `-${by}` ? by : `-${by}`)}
          sx={{ font: "inherit", color: "inherit", bgcolor: "transparent", border: 0, p: 0, cursor: "pointer" }}
        >
          {column.name}
          {direction === "ascending" ? " ↑" : direction === "descending" ? " ↓" : ""}
        </Box>
      ) : (
        column.name
      )}
    </Box>
  );
}

/** The image as it is now; where it can't be had, nothing. */
function Preview({ crawl, row }: { crawl: number; row: ImageRow }) {
  const [failed, setFailed] = useState(false);
  if (failed || row.status !== 200)
    return (
      <Quiet component="span" small>
        none
      </Quiet>
    );
  return (
    <Box
      component="img"
      loading="lazy"
      src={`/api/crawls/${crawl}/urls/${row.url_id}/image`}
      alt={`Preview of ${row.name}`}
      onError={() => setFailed(true)}
      sx={{ display: "block", width: 56, height: 36, objectFit: "contain", bgcolor: "divider" }}
    />
  );
}

const TABLE = {
  width: "100%",
  minWidth: 920,
  tableLayout: "fixed",
  borderCollapse: "collapse",
  "& td, & th": { textAlign: "left", py: 0.35, pr: 1.5, borderBottom: 1, borderColor: "divider", fontWeight: 400 },
  "& thead th": {
    color: "text.secondary",
    fontSize: 12,
    position: "sticky",
    top: 0,
    bgcolor: "background.default",
    zIndex: 1,
  },
  "& td": { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" },
  "& td.number": { textAlign: "right" },
} as const;
