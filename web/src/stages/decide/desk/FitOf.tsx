import Box from "@mui/material/Box";
import { Part } from "../../../kit/parts";
import { Apart, Columns, Quiet } from "../../../kit/pieces";
import type { Sheet } from "./useDeskPage";

type Check = Sheet["checks"][number];

/** Which checks the page meets, and which its draft does: the share of them by weight is its fit. */
export function FitOf({ sheet }: { sheet: Sheet }) {
  return (
    <Part title="Fit" level="h2">
      <Apart role="status" mb={1}>
        <Share sheet={sheet} />
      </Apart>
      {sheet.checks.map((check) => (
        <One key={check.name} check={check} />
      ))}
    </Part>
  );
}

function Share({ sheet }: { sheet: Sheet }) {
  if (sheet.fit === null) return <>Name a phrase or a rival to see how well the page fits.</>;
  return (
    <>
      Meets <strong>{sheet.fit}</strong> of 100 by weight
      {sheet.draft_fit !== sheet.fit && (
        <>
          , as drafted <strong>{sheet.draft_fit}</strong>
        </>
      )}
      .
    </>
  );
}

function One({ check }: { check: Check }) {
  const better = check.drafted !== check.found;
  return (
    <Columns of="20px minmax(0, 1fr) auto" gap={0.5} mb={0.25}>
      <Box
        component="span"
        role="img"
        aria-label={check.drafted_met ? "met" : "not met"}
        sx={{ color: check.drafted_met ? "verdigris" : "rust", fontWeight: 700 }}
      >
        {check.drafted_met ? "✓" : "–"}
      </Box>
      <span>
        {check.name}
        <Quiet component="span" small>
          {" "}
          {range(check)}
        </Quiet>
      </span>
      <span>
        {number(check.found)}
        {better && ` → ${number(check.drafted)}`}
      </span>
    </Columns>
  );
}

function range({ low, high, weight }: Check) {
  const parts =
    low !== null && high !== null
      ? `${number(low)} to ${number(high)}`
      : low !== null
        ? `at least ${number(low)}`
        : high !== null
          ? `at most ${number(high)}`
          : "";
  return `${parts}${weight > 1 ? `, counts ${weight} times` : ""}`;
}

/** Shares of words are told in percent. */
const number = (value: number) => (Number.isInteger(value) ? String(value) : `${(100 * value).toFixed(1)} %`);
