import { Apart, NoRows, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { count, counted } from "../../../kit/format";
import { Failed } from "../../../kit/Notice";
import { OpenUrl } from "../../../kit/OpenUrl";
import { LinkButton } from "../../../kit/LinkButton";
import { Plain } from "../../../kit/Plain";
import { nameOf } from "../../../kit/table/columns";
import type { LinksState } from "./useLinks";
import { useCountedLinks } from "./useCountedLinks";

type Value = string | number | boolean | null;

/** The links counted by one column; a count leads to its links. */
export function CountedLinks({ crawl, by, links }: { crawl: number; by: string; links: LinksState }) {
  const { gathered, column } = useCountedLinks({ crawl, by, links });
  if (!column) return <Failed error={new Error(`The table of links has no column “${by}”.`)} />;
  if (gathered.state !== "ready") return <Unready screen={gathered} />;
  const { rows, values } = gathered.data;
  const ends = by === "target" || by === "source";
  const words = (value: Value) => (value === null ? "(none)" : nameOf(column, value));
  const narrow = (value: Value) =>
    links.narrow(value === null ? { field: by, op: "empty" } : { field: by, op: "is", value });
  if (rows.length === 0) return <NoRows>No link meets these conditions.</NoRows>;
  return (
    <Scroll>
      <Plain
        label={`Links by ${column.name}`}
        columns={[
          { name: column.name },
          ...(ends ? [{ name: "Status", width: 70, right: true }] : []),
          { name: "Links", width: 90, right: true },
          { name: "On so many pages", width: 130, right: true },
          ...(by === "target" ? [] : [{ name: "To so many addresses", width: 150, right: true }]),
        ]}
      >
        {rows.map((row) => (
          <tr key={String(row.value)}>
            <td>
              {ends && row.url_id && typeof row.value === "string" ? (
                <OpenUrl id={row.url_id} url={row.value} />
              ) : (
                <bdi>{words(row.value)}</bdi>
              )}
            </td>
            {ends && <td className="number">{row.status ?? ""}</td>}
            <td className="number">
              <LinkButton act={() => narrow(row.value)}>{count(row.links)}</LinkButton>
            </td>
            <td className="number">{count(row.pages)}</td>
            {by !== "target" && <td className="number">{count(row.targets)}</td>}
          </tr>
        ))}
      </Plain>
      {values > rows.length && (
        <Apart pt={1}>
          {counted(values, "value")}; the {count(rows.length)} that stand on most pages are shown.
        </Apart>
      )}
    </Scroll>
  );
}
