import { Inline } from "../../../kit/pieces";
import InputBase from "@mui/material/InputBase";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useAddress } from "../../../kit/address";
import { count } from "../../../kit/format";
import { Toggles } from "../../../kit/Toggles";
import type { FaultSum } from "./types";

type Grade = "all" | FaultSum["grade"];

const GRADES: [Grade, string, string][] = [
  ["all", "All", "Every cause"],
  ["stops", "Stop pages", "They keep pages out of the index"],
  ["diverts", "Divert", "They lead the index to another page"],
  ["weakens", "Weaken", "They make pages worth less"],
];

/** Which causes are shown: by grade, by what they say, and those on one group or host. */
export function Narrowing({ rules, groups, hosts }: { rules: FaultSum[]; groups: string[]; hosts: string[] }) {
  const { search, change } = useAddress();
  const of = (grade: Grade) => rules.filter((rule) => grade === "all" || rule.grade === grade).length;
  return (
    <Inline gap={2} wrap mb={1}>
      <Toggles<Grade>
        choices={GRADES.map(([name, label, title]) => ({ name, label: `${label} (${count(of(name))})`, title }))}
        value={(search.get("grade") as Grade | null) ?? "all"}
        choose={(grade) => change({ grade: grade === "all" ? undefined : grade }, true)}
        choiceSx={{ py: 0.25, px: 1.25 }}
      />
      <InputBase
        value={search.get("find") ?? ""}
        onChange={(event) => change({ find: event.target.value || undefined }, true)}
        placeholder="Find a cause"
        inputProps={{ "aria-label": "Find a cause" }}
        sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider", borderRadius: 1, px: 1, width: 180 }}
      />
      <Choice label="Group" all="all groups" values={groups} name="group" />
      {hosts.length > 1 && <Choice label="Host" all="all hosts" values={hosts} name="host" />}
    </Inline>
  );
}

function Choice({ label, all, values, name }: { label: string; all: string; values: string[]; name: string }) {
  const { search, change } = useAddress();
  const chosen = search.get(name);
  return (
    <TextField
      select
      variant="standard"
      value={chosen !== null && values.includes(chosen) ? chosen : ""}
      onChange={(event) => change({ [name]: event.target.value || undefined }, true)}
      sx={{ width: "auto", maxWidth: 240 }}
      slotProps={{ htmlInput: { "aria-label": label }, select: { displayEmpty: true } }}
    >
      <MenuItem value="">{all}</MenuItem>
      {values.map((value) => (
        <MenuItem key={value} value={value}>
          {value}
        </MenuItem>
      ))}
    </TextField>
  );
}
