import { Inline, Quiet, Room } from "../../../kit/pieces";
import type { FaultSum } from "./types";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { count, counted } from "../../../kit/format";
import { Cause, Headings } from "./Cause";
import { Narrowing } from "./Narrowing";
import { useFaults } from "./useFaults";

/** What is wrong, by cause, the heaviest of the gravest grade first; the open one says where to mend it. */
export default function Faults() {
  const { search, change, within, faults } = useFaults();
  if (faults.state !== "ready") return <Unready screen={faults} />;

  const { crawl, rules, groups, hosts } = faults.data;
  const shown = narrowed(rules, search.get("grade"), search.get("find"));
  const open = search.get("code");
  return (
    <Room>
      <Inline gap={2} align="baseline" wrap mb={1}>
        <Typography variant="h1">What is wrong, by cause</Typography>
        <Typography color="textSecondary">{headline(rules, shown.length)}</Typography>
      </Inline>
      <Narrowing rules={rules} groups={groups} hosts={hosts} />
      <Headings rules={rules} />
      <Box component="ol" aria-label="Causes" sx={{ listStyle: "none", m: 0, p: 0, borderTop: 2, borderColor: "iron" }}>
        {shown.map((rule) => (
          <Cause
            key={rule.code}
            crawl={crawl}
            rule={rule}
            within={within}
            heaviest={Math.max(...rules.map((one) => one.weight))}
            open={rule.code === open}
            flip={() =>
              change({ code: rule.code === open ? undefined : rule.code, same: undefined, as: undefined }, true)
            }
          />
        ))}
      </Box>
      {rules.length > 0 && shown.length === 0 && (
        <Quiet py={3}>No cause is left of {count(rules.length)}. Widen what is shown above.</Quiet>
      )}
    </Room>
  );
}

/** The causes of a grade whose title or code holds what was typed. */
function narrowed(rules: FaultSum[], grade: string | null, text: string | null) {
  const part = text?.trim().toLowerCase() ?? "";
  return rules.filter(
    (rule) =>
      (grade === null || rule.grade === grade) &&
      (part === "" || `${rule.title} ${rule.code}`.toLowerCase().includes(part)),
  );
}

function headline(rules: FaultSum[], shown: number) {
  if (rules.length === 0) return "No rule found a fault.";
  const templates = rules.filter((rule) => rule.groups.some((group) => group.template)).length;
  return [
    shown === rules.length ? counted(rules.length, "cause") : `${count(shown)} of ${counted(rules.length, "cause")}`,
    templates > 0 && `${counted(templates, "comes", "come")} from a template`,
  ]
    .filter(Boolean)
    .join(" · ");
}
