import { Inline, Quiet } from "../pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import { Fragment, useState } from "react";
import { type Condition, partsOf, type Where, withPart } from "../conditions";
import type { Column } from "./columns";
import { ConditionEditor } from "./ConditionEditor";
import { sentence } from "./sentence";

type Props<Row> = { columns: Column<Row>[]; where: Where; change: (where: Where) => void };
/** Which condition is edited: the part of the tree, and the place among its alternatives. */
type Editing = { anchor: HTMLElement; part: number; place: number };

/** The conditions as sentences; each is changed by a click, dropped by its cross, and given an alternative by "or". */
export function ConditionBar<Row>({ columns, where, change }: Props<Row>) {
  const [editing, setEditing] = useState<Editing | null>(null);
  const parts = partsOf(where);
  const edit = (part: number, place: number) => (event: { currentTarget: HTMLElement }) =>
    setEditing({ anchor: event.currentTarget, part, place });
  const drop = (part: number, place: number) =>
    change(
      withPart(
        where,
        part,
        (parts[part] ?? []).filter((_, at) => at !== place),
      ),
    );
  const keep = (condition: Condition) => {
    if (!editing) return;
    const any = [...(parts[editing.part] ?? [])];
    any[editing.place] = condition;
    change(withPart(where, editing.part, any));
  };
  return (
    <Inline gap={0.75} wrap>
      {parts.map((any, part) => (
        <Fragment key={JSON.stringify(any)}>
          {part > 0 && <Joint word="and" />}
          <Box
            sx={{
              display: "flex",
              flexWrap: "wrap",
              gap: 0.5,
              alignItems: "center",
              ...(any.length > 1 ? TOGETHER : {}),
            }}
          >
            {any.map((condition, place) => (
              <Fragment key={JSON.stringify(condition)}>
                {place > 0 && <Joint word="or" />}
                <Chip
                  variant="outlined"
                  size="small"
                  label={<Words sentence={sentence(columns, condition)} />}
                  onClick={edit(part, place)}
                  onDelete={() => drop(part, place)}
                  sx={{ bgcolor: "background.paper", fontSize: 13, maxWidth: 420 }}
                />
              </Fragment>
            ))}
            <Button
              size="small"
              aria-label={`or, beside ${any.map((one) => sentence(columns, one).join(" ")).join(" or ")}`}
              onClick={edit(part, any.length)}
              sx={{ minWidth: 0, px: 0.5, py: 0 }}
            >
              or
            </Button>
          </Box>
        </Fragment>
      ))}
      <Button onClick={edit(parts.length, 0)}>+ Condition</Button>
      {parts.length > 0 && <Button onClick={() => change({ all: [] })}>Show all</Button>}
      <ConditionEditor
        columns={columns}
        key={editing ? `${editing.part} ${editing.place}` : "none"}
        anchor={editing?.anchor ?? null}
        first={editing ? parts[editing.part]?.[editing.place] : undefined}
        close={() => setEditing(null)}
        keep={keep}
      />
    </Inline>
  );
}

const TOGETHER = { border: 1, borderColor: "divider", borderRadius: 4, px: 0.5 } as const;

function Joint({ word }: { word: string }) {
  return <Quiet small>{word}</Quiet>;
}

function Words({ sentence: [subject, rest] }: { sentence: [string, string] }) {
  return (
    <>
      {subject} <strong>{rest}</strong>
    </>
  );
}
