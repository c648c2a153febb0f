import { Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { Link } from "react-router";
import type { Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { count } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { useRules } from "../../../kit/useRules";
import { Sign } from "../../../kit/signs/Sign";

type FaultChange = Schemas["Comparison"]["faults"][number];

const COLUMNS = [
  { name: "Fault" },
  { name: "New", width: 46, right: true },
  { name: "Returned", width: 72, right: true },
  { name: "Cleared", width: 68, right: true },
  { name: "Still there", width: 82, right: true },
  { name: "Not checked", width: 94, right: true },
];

/** What became of the faults, those that changed first. */
export function FaultChanges({ faults }: { faults: FaultChange[] }) {
  const { to } = useAddress();
  const { title } = useRules();
  const changed = faults
    .filter(changes)
    .sort((one, other) => changes(other) - changes(one) || (one.code < other.code ? -1 : 1));
  const same = faults.length - changed.length;
  return (
    <Box component="section" aria-label="What became of the faults" sx={{ minWidth: 0, pt: 0.5 }}>
      <Plain label="Faults that changed" columns={COLUMNS}>
        {changed.map((fault) => (
          <tr key={fault.code}>
            <Box component="td" sx={{ "&&": { whiteSpace: "normal" } }}>
              <Box component="span" sx={{ display: "inline-flex", gap: 1, alignItems: "center", lineHeight: 1.25 }}>
                <Sign state={fault.grade} />
                <Link to={to("read/faults", { code: fault.code })} title={fault.code}>
                  {title(fault.code)}
                </Link>
              </Box>
            </Box>
            <Number value={fault.new} strong="rust" />
            <Number value={fault.returned} strong="rust" />
            <Number value={fault.cleared} strong="verdigris" />
            <Number value={fault.still} />
            <Number value={fault.unchecked} />
          </tr>
        ))}
      </Plain>
      <Quiet pt={1}>
        {changed.length === 0 ? "No fault came or went." : ""}{" "}
        {same > 0 && `${count(same)} kinds of faults stayed as they were.`}
      </Quiet>
    </Box>
  );
}

const changes = (fault: FaultChange) => fault.new + fault.returned + fault.cleared;

function Number({ value, strong }: { value: number; strong?: string }) {
  return (
    <Box component="td" className="number" sx={{ "&&": strong && value > 0 ? { color: strong, fontWeight: 650 } : {} }}>
      {value === 0 ? "" : count(value)}
    </Box>
  );
}
