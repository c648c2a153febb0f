import type { ReactNode } from "react";
import DECLARED from "../../../api/columns.json";
import type { LedgerRow } from "../../../api/client";
import { FaultTitles } from "../../../kit/FaultTitles";
import { bytes, count, moment, share } from "../../../kit/format";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Stop } from "../../../kit/Stop";
import type { Column, FieldKind } from "../../../kit/table/columns";

type Field = keyof LedgerRow & string;
type Declared = {
  field: string;
  name: string;
  subject: string;
  meaning?: string;
  kind: string;
  choices?: string[][];
  shown_as?: string;
};

/** How values are drawn that a column declares to be shown as something else than they are. */
const SHOWN_AS: Record<string, (value: NonNullable<LedgerRow[Field]>) => ReactNode> = {
  url: (value) => <SiteUrl url={String(value)} />,
  bytes: (value) => bytes(Number(value)),
  share: (value) => share(Number(value)),
  moment: (value) => moment(String(value)),
  tenths: (value) => Number(value).toFixed(1),
  hundredths: (value) => Number(value).toFixed(2),
  size: (value) => (Array.isArray(value) && value.length > 0 ? count(value.length) : ""),
};

/** What takes more of the row than the value. */
const OF_ROW: Partial<Record<Field, (row: LedgerRow) => ReactNode>> = {
  status: (row) => row.status ?? row.error ?? "",
  stop: (row) => <Stop stop={row.stop} reason={row.stop_reason} known={row.indexable || row.status != null} />,
  faults: (row) => <FaultTitles codes={row.faults} />,
};

/** Wider, in pixels, than what such columns have. */
const WIDTHS: Partial<Record<Field, number>> = {
  url: 250,
  stop: 138,
  stop_reason: 240,
  faults: 170,
  lang: 78,
  fetched_at: 150,
  fulfilled: 120,
};

/** Every column that the ledger can show and be narrowed by: those of the core, as bin/contract writes them. */
export const COLUMNS: Column<LedgerRow>[] = (DECLARED as Declared[]).map((declared) => {
  const field = declared.field as Field;
  const show = SHOWN_AS[declared.shown_as ?? ""];
  return {
    ...declared,
    field,
    kind: declared.kind as FieldKind,
    choices: declared.choices?.map(([value = "", name = ""]): [string, string] => [value, name]),
    width: WIDTHS[field] ?? width(declared),
    show:
      OF_ROW[field] ??
      (show &&
        ((row) => {
          const value = row[field];
          return value == null ? "" : show(value);
        })),
  };
});

/** As wide as its heading for numbers and flags; room for text elsewhere. */
function width({ name, kind, shown_as }: Declared) {
  const heading = Math.max(48, Math.round(name.length * 5.9 + 26));
  if (shown_as === "url") return 240;
  if (shown_as) return heading;
  if (kind === "text") return 155;
  return kind === "set" || kind === "list" ? Math.max(96, heading) : heading;
}
