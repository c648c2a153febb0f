import { Inline, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Button from "@mui/material/Button";
import { count, counted } from "../../../kit/format";
import { Failed } from "../../../kit/Notice";
import { LinkButton } from "../../../kit/LinkButton";
import { Plain } from "../../../kit/Plain";
import { SiteUrl } from "../../../kit/SiteUrl";
import { nameOf } from "../../../kit/table/columns";
import type { LedgerState } from "./useLedger";
import { useGathered } from "./useGathered";

/** The rows counted by the values of one column; a value narrows the ledger to its rows. */
export function Gathered({ crawl, by, ledger }: { crawl: number; by: string; ledger: LedgerState }) {
  const { title, gathered, column } = useGathered({ crawl, by, ledger });
  if (!column) return <Failed error={new Error(`The ledger has no column “${by}”.`)} />;
  if (gathered.state !== "ready") return <Unready screen={gathered} />;
  const { rows, values } = gathered.data;
  const words = (value: string | number | boolean | null) =>
    value === null
      ? "(none)"
      : typeof value === "boolean"
        ? value
          ? "yes"
          : "no"
        : by === "faults"
          ? title(String(value))
          : nameOf(column, value);
  const narrow = (value: string | number | boolean | null) => {
    if (value === null) return ledger.narrow({ field: by, op: "empty" });
    if (column.kind === "list") return ledger.narrow({ field: by, op: "has", value });
    if (column.kind === "date") return ledger.narrow({ field: by, op: "since", value });
    return ledger.narrow({ field: by, op: "is", value });
  };
  return (
    <Scroll>
      <Inline gap={2} align="baseline" pb={0.5}>
        <span>
          <strong>{counted(values, "value")}</strong> of {column.name}
          {values > rows.length && `; the ${count(rows.length)} of most URLs are shown`}
        </span>
        <Button onClick={() => ledger.countBy(undefined)}>Back to the rows</Button>
      </Inline>
      <Plain
        label={`URLs by ${column.name}`}
        columns={[
          { name: column.name },
          { name: "URLs", width: 90, right: true },
          { name: "Should be indexed", width: 130, right: true },
          { name: "Indexable", width: 100, right: true },
          { name: "With faults", width: 100, right: true },
          { name: "Importance, all together", width: 170, right: true },
        ]}
      >
        {rows.map((row) => (
          <tr key={String(row.value)}>
            <td>
              <LinkButton act={() => narrow(row.value)}>
                {typeof row.value === "string" && /^https?:\/\//.test(row.value) ? (
                  <SiteUrl url={row.value} />
                ) : (
                  <bdi>{words(row.value)}</bdi>
                )}
              </LinkButton>
            </td>
            <td className="number">{count(row.urls)}</td>
            <td className="number">{count(row.wanted)}</td>
            <td className="number">{count(row.indexable)}</td>
            <td className="number">{count(row.with_faults)}</td>
            <td className="number">{count(Math.round(row.importance))}</td>
          </tr>
        ))}
      </Plain>
    </Scroll>
  );
}
