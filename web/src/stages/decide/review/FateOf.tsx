import Button from "@mui/material/Button";
import InputBase from "@mui/material/InputBase";
import { useState } from "react";
import { valueOf, type Values } from "../../../kit/decisions";
import { Inline, Quiet } from "../../../kit/pieces";
import { type Fate, FATES, type Row } from "./useReview";

type Props = { row: Row; decide: (row: Row, value: Values["review"] | null, note: string) => void };

const goesElsewhere = (fate: Fate | ""): fate is "merge_into" | "redirect_to" =>
  fate === "merge_into" || fate === "redirect_to";

/** What becomes of one page; into which it goes is asked where it goes into one. */
export function FateOf({ row, decide }: Props) {
  const decided = valueOf(row.decision, "review");
  const [fate, setFate] = useState<Fate | "">(decided?.fate ?? "");
  const [target, setTarget] = useState(decided?.target ?? "");
  const open = goesElsewhere(fate) && (target !== decided?.target || fate !== decided?.fate);
  const choose = (next: Fate | "") => {
    setFate(next);
    if (!goesElsewhere(next)) decide(row, next === "" ? null : { fate: next }, "");
  };
  return (
    <Inline gap={0.5} wrap>
      <select
        aria-label={`What becomes of ${row.url}`}
        value={fate}
        onChange={(event) => choose(event.target.value as Fate | "")}
      >
        <option value="">not decided</option>
        {Object.entries(FATES).map(([name, label]) => (
          <option key={name} value={name}>
            {label}
          </option>
        ))}
      </select>
      {goesElsewhere(fate) && (
        <InputBase
          value={target}
          onChange={(event) => setTarget(event.target.value)}
          placeholder="https://…"
          inputProps={{ "aria-label": `Page into which ${row.url} goes` }}
          sx={{ fontSize: 12, border: 1, borderColor: "divider", px: 0.5, width: 150 }}
        />
      )}
      {open && (
        <Button size="small" onClick={() => decide(row, { fate, target }, "")} disabled={target.trim() === ""}>
          Decide
        </Button>
      )}
      {row.decision && <Quiet small>{row.decision.made_by}</Quiet>}
    </Inline>
  );
}
