import { Link } from "react-router";
import { type Schemas } from "../../../api/client";
import { narrowed } from "../../../kit/address";
import { count } from "../../../kit/format";
import { LINK_PLACES, LINK_TYPES } from "../../../kit/linkWords";
import { Part, UrlLink } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { useUrlLinks } from "./useUrlLinks";
import { Apart } from "../../../kit/pieces";

type Row = Schemas["LinkRow"];
type Props = { crawl: number; url: string; direction: "in" | "out" };
const COLUMNS = [
  { name: "" },
  { name: "Text" },
  { name: "Status", width: 54, right: true },
  { name: "Place", width: 96 },
];

/** Links to the page or from it: the first of them, and the way to all. */
export function Links({ crawl, url, direction }: Props) {
  const name = direction === "in" ? "Links in" : "Links out";
  const { to, conditions, first, rows, total } = useUrlLinks({ crawl, url, direction });
  return (
    <Part title={total == null ? name : `${name} (${count(total)})`}>
      {first.error?.message}
      {first.data && rows.length === 0 && "None."}
      {rows.length > 0 && (
        <Plain
          label={name}
          columns={COLUMNS.map((column) =>
            column.name === "" ? { ...column, name: direction === "in" ? "From" : "To" } : column,
          )}
        >
          {rows.map((row, at) => (
            <tr key={at}>
              <td>
                {direction === "in" ? (
                  <UrlLink id={row.source_id} url={row.source} />
                ) : (
                  <UrlLink id={row.target_id} url={row.target} />
                )}
              </td>
              <td title={row.text ?? undefined}>{row.text}</td>
              <td className="number">{direction === "in" ? "" : (row.target_status ?? row.target_error ?? "")}</td>
              <td>{placeOf(row)}</td>
            </tr>
          ))}
        </Plain>
      )}
      {rows.length > 0 && (
        <Apart mt={0.5}>
          <Link to={to("read/links", narrowed(...conditions))}>
            {total == null || total <= rows.length
              ? "In the table of links"
              : `All ${count(total)} in the table of links`}
          </Link>
        </Apart>
      )}
    </Part>
  );
}

/** Its place, or its type where it is no plain link, and whether it is followed. */
function placeOf(row: Row) {
  const name = row.type === "anchor" ? called(LINK_PLACES, row.place) : called(LINK_TYPES, row.type);
  return [name, row.followed ? "" : "nofollow"].filter(Boolean).join(", ");
}

const called = (names: [string, string][], value: string | null) => names.find(([one]) => one === value)?.[1] ?? value;
