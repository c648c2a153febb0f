import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { count, counted, moment } from "../../../kit/format";
import { LinkButton } from "../../../kit/LinkButton";
import { Inline, Filled, Quiet, Scroll, Spacer } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { FixSheet } from "../../../kit/fix/FixSheet";
import { stateLabel } from "../../../kit/fix/states";
import { type Proof, type Proofs as All, useProofs } from "./useProofs";

/** What was said to be done: whether it holds, since when, and what it freed. */
export default function Proofs() {
  const work = useProofs();
  if (work.proofs.state !== "ready") return <Unready screen={work.proofs} />;
  const told = work.proofs.data;
  const claimed = told.states.claimed ?? 0;
  const shown = told.fixes.filter((one) => !work.state || one.state === work.state);
  const states = [...new Set(told.fixes.map((one) => one.state))];
  return (
    <Filled>
      <Title>Proofs</Title>
      <Inline gap={1.5} wrap px={2.5} py={1}>
        {states.length > 0 && (
          <Toggles<string>
            choices={[
              { name: "all", label: "All" },
              ...states.map((name) => ({ name, label: `${stateLabel(name)} ${told.states[name] ?? 0}` })),
            ]}
            value={work.state ?? "all"}
            choose={(name) => work.choose(name === "all" ? undefined : name)}
            choiceSx={{ py: 0.25, px: 1.25 }}
          />
        )}
        <Quiet component="span">{sentence(told)}</Quiet>
        <Spacer />
        <Button
          variant="contained"
          disabled={claimed === 0 || work.lookAll.isPending}
          onClick={() => work.lookAll.mutate()}
        >
          {work.lookAll.isPending ? "Looking …" : `Look at ${counted(claimed, "claimed fix", "claimed fixes")} now`}
        </Button>
      </Inline>
      <Scroll tabIndex={0} role="region" aria-label="Fixes that were looked at">
        {work.lookAll.error && <Alert severity="error">{work.lookAll.error.message}</Alert>}
        {told.fixes.length === 0 ? (
          <Quiet>
            Nothing was said to be done yet. What is said to be done under Plan, Workplan is looked at here.
          </Quiet>
        ) : (
          <Rows rows={shown} open={work.openFix} />
        )}
      </Scroll>
      <FixSheet site={work.site} id={work.open} owners={[]} close={() => work.openFix(undefined)} />
    </Filled>
  );
}

function Rows({ rows, open }: { rows: Proof[]; open: (id: string) => void }) {
  return (
    <Roomy
      label="Fixes that were looked at"
      columns={["Fix", "What", "State", "Frees", "Holds", "Looked at", "Said to be done", "Days to proof"]}
    >
      {rows.map((one) => (
        <tr key={one.id}>
          <td>{one.id}</td>
          <td>
            <LinkButton act={() => open(one.id)}>{one.title}</LinkButton>
            {one.why && <Quiet small>{one.why}</Quiet>}
          </td>
          <td style={{ whiteSpace: "nowrap" }}>{stateLabel(one.state)}</td>
          <td>{one.benefit.toFixed(1)}</td>
          <td style={{ whiteSpace: "nowrap" }}>
            <Holds one={one} />
          </td>
          <td>
            {one.at
              ? `${moment(one.at)}${one.by === "fetch" ? "" : `, ${one.by}`}`
              : one.state === "proved"
                ? "–"
                : "not yet"}
          </td>
          <td>{one.claimed_at ? moment(one.claimed_at) : "–"}</td>
          <td>{one.days ?? "–"}</td>
        </tr>
      ))}
    </Roomy>
  );
}

/** How many conditions hold, as a bar of theirs. */
function Holds({ one }: { one: Proof }) {
  const all = one.met + one.unmet + one.untold;
  if (all === 0) return "–";
  return (
    <Inline>
      <Box sx={{ width: 80, height: 9, display: "flex", border: 1, borderColor: "iron" }}>
        <Box sx={{ width: `${(100 * one.met) / all}%`, bgcolor: "verdigris" }} />
        <Box sx={{ width: `${(100 * one.unmet) / all}%`, bgcolor: "rust" }} />
      </Box>
      {count(one.met)} of {count(all)}
    </Inline>
  );
}

function sentence(told: All) {
  const parts = [
    `${told.freed.toFixed(1)} benefit freed, ${told.to_free.toFixed(1)} to free`,
    ...(told.days === null ? [] : [`${told.days} days from claim to proof`]),
  ];
  return parts.join("; ");
}
