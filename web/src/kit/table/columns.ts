import type { ReactNode } from "react";

export type FieldKind = "text" | "number" | "set" | "flag" | "list" | "date";

/** One column of a table of URLs or links: how it is headed, asked about and shown. */
export type Column<Row> = {
  field: keyof Row & string;
  /** As a heading. */
  name: string;
  /** What it is, where the heading is short. */
  meaning?: string;
  /** As the subject of a condition: "words below 200". */
  subject: string;
  kind: FieldKind;
  width: number;
  /** The values of a set, each with how it is called. */
  choices?: [value: string, name: string][];
  show?: (row: Row) => ReactNode;
};

/** How a value of a set is called. */
export const nameOf = <Row>(column: Column<Row>, value: unknown) =>
  column.choices?.find(([one]) => one === value)?.[1] ?? String(value ?? "");

/** A value as plain text. */
export const plain = (value: unknown) =>
  value === null || value === undefined ? "" : Array.isArray(value) ? value.join("\n") : String(value);

/** The columns of these fields, in their order. */
export const chosen = <Row>(columns: Column<Row>[], fields: string[]) =>
  fields.flatMap((field) => columns.find((column) => column.field === field) ?? []);
