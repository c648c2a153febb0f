import Stack from "@mui/material/Stack";
import Button from "@mui/material/Button";
import { useState } from "react";
import columns from "../../../api/columns.json";
import { Inline, Quiet } from "../../../kit/pieces";
import type { Yardstick } from "./useReview";

const NAMES: Record<string, string> = Object.fromEntries(columns.map((column) => [column.field, column.name]));
const NUMBERS = columns.filter((column) => column.kind === "number");
const OPS: Record<Yardstick["op"], string> = { at_least: "from", below: "below", is: "is", filled: "is there" };

/** "Words from 300". */
export const told = (one: Yardstick) =>
  [NAMES[one.field] ?? one.field, OPS[one.op], one.op === "filled" ? "" : String(one.value)].join(" ").trim();

type Props = { yardsticks: Yardstick[]; keep: (next: Yardstick[]) => void };

/** What pages are held against: told as sentences, changed where one opens them. */
export function Yardsticks({ yardsticks, keep }: Props) {
  const [drafts, setDrafts] = useState<Yardstick[] | null>(null);
  if (drafts === null)
    return (
      <Quiet>
        Held against: {yardsticks.map((one) => `${told(one)} (${one.weight})`).join(", ")}{" "}
        <Button size="small" onClick={() => setDrafts(yardsticks)}>
          Change
        </Button>
      </Quiet>
    );
  const set = (place: number, change: Partial<Yardstick>) =>
    setDrafts(drafts.map((one, at) => (at === place ? { ...one, ...change } : one)));
  return (
    <Stack spacing={0.5} sx={{ py: 1 }}>
      {drafts.map((one, place) => (
        <Inline key={place}>
          <select aria-label="Column" value={one.field} onChange={(event) => set(place, { field: event.target.value })}>
            {columns.map((column) => (
              <option key={column.field} value={column.field}>
                {column.name}
              </option>
            ))}
          </select>
          <select
            aria-label="Comparison"
            value={one.op}
            onChange={(event) => set(place, { op: event.target.value as Yardstick["op"] })}
          >
            {Object.entries(OPS).map(([op, name]) => (
              <option key={op} value={op}>
                {name}
              </option>
            ))}
          </select>
          {one.op !== "filled" && (
            <input
              aria-label="Value"
              value={String(one.value ?? "")}
              onChange={(event) =>
                set(place, {
                  value: NUMBERS.some((column) => column.field === one.field)
                    ? Number(event.target.value)
                    : event.target.value,
                })
              }
              style={{ width: 90 }}
            />
          )}
          <label>
            counts{" "}
            <input
              type="number"
              min={1}
              value={one.weight}
              onChange={(event) => set(place, { weight: Number(event.target.value) })}
              style={{ width: 60 }}
            />
          </label>
          <Button size="small" onClick={() => setDrafts(drafts.filter((_, at) => at !== place))}>
            Leave out
          </Button>
        </Inline>
      ))}
      <Inline align="stretch">
        <Button
          size="small"
          onClick={() => setDrafts([...drafts, { field: "words", op: "at_least", value: 100, weight: 1 }])}
        >
          Another
        </Button>
        <Button
          size="small"
          variant="contained"
          disabled={drafts.length === 0}
          onClick={() => {
            keep(drafts);
            setDrafts(null);
          }}
        >
          Keep
        </Button>
        <Button size="small" onClick={() => setDrafts(null)}>
          As it was
        </Button>
      </Inline>
    </Stack>
  );
}
