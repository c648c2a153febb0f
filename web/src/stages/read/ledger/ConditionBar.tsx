import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import { Fragment, useState } from "react";
import type { Condition, Where } from "../../../kit/conditions";
import { ConditionEditor } from "./ConditionEditor";
import { sentence } from "./sentence";

type Props = { where: Where; change: (where: Where) => void };
type Editing = { anchor: HTMLElement; index: number };

const isOne = (part: Where["all"][number]): part is Condition => "field" in part;

/** The conditions as sentences; each is changed by a click and dropped by its cross. */
export function ConditionBar({ where, change }: Props) {
  const [editing, setEditing] = useState<Editing | null>(null);
  const edited = editing ? where.all[editing.index] : undefined;
  const drop = (index: number) => change({ all: where.all.filter((_, at) => at !== index) });
  const keep = (condition: Condition) => {
    const all = [...where.all];
    all[editing?.index ?? all.length] = condition;
    change({ all });
  };
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center" }}>
      {where.all.map((part, index) => (
        <Fragment key={JSON.stringify(part)}>
          {index > 0 && <Box sx={{ color: "text.secondary", fontSize: 12 }}>and</Box>}
          <Chip
            variant="outlined"
            size="small"
            label={
              isOne(part) ? (
                <Words condition={part} />
              ) : (
                part.any.map((one, at) => <Words key={JSON.stringify(one)} condition={one} or={at > 0} />)
              )
            }
            onClick={isOne(part) ? (event) => setEditing({ anchor: event.currentTarget, index }) : undefined}
            onDelete={() => drop(index)}
            sx={{ bgcolor: "background.paper", fontSize: 13 }}
          />
        </Fragment>
      ))}
      <Button onClick={(event) => setEditing({ anchor: event.currentTarget, index: where.all.length })}>
        + Condition
      </Button>
      {where.all.length > 0 && <Button onClick={() => change({ all: [] })}>Show all</Button>}
      <ConditionEditor
        key={editing?.index}
        anchor={editing?.anchor ?? null}
        first={edited && isOne(edited) ? edited : undefined}
        close={() => setEditing(null)}
        keep={keep}
      />
    </Box>
  );
}

function Words({ condition, or = false }: { condition: Condition; or?: boolean }) {
  const [subject, rest] = sentence(condition);
  return (
    <>
      {or && " or "}
      {subject} <strong>{rest}</strong>
    </>
  );
}
