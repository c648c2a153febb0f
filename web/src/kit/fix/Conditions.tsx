import Box from "@mui/material/Box";
import { count, counted, moment } from "../format";
import { Part } from "../parts";
import { Plain } from "../Plain";
import { Quiet } from "../pieces";
import { SiteUrl } from "../SiteUrl";
import type { Fix } from "./useFix";

const MOST = 100;
const COLUMNS = [{ name: "Holds", width: 48 }, { name: "URL", width: "30%" }, { name: "Must hold" }];

/** What must hold for the fix to be proved, and what was found when it was looked at last. */
export function Conditions({ fix }: { fix: Fix }) {
  const proof = fix.proof;
  if (fix.conditions.length === 0) return null;
  const rows = proof
    ? [...proof.conditions].sort((one, other) => rank(one.met) - rank(other.met))
    : fix.conditions.map((one) => ({ ...one, met: undefined, found: "", cached: false }));
  return (
    <Part title={`What must hold: ${counted(fix.conditions.length, "condition")}`} level="h2">
      {proof && (
        <Quiet small>
          Looked at {moment(proof.at)} by {proof.by === "fetch" ? "fetching" : proof.by}:{" "}
          {count(proof.conditions.filter((one) => one.met).length)} hold.
        </Quiet>
      )}
      <Plain label="Conditions" columns={proof ? [...COLUMNS, { name: "Found", width: "26%" }] : COLUMNS}>
        {rows.slice(0, MOST).map((one, place) => (
          <tr key={place}>
            <td>
              <Sign met={one.met} />
            </td>
            <td>{one.url ? <SiteUrl url={one.url} /> : "the group"}</td>
            <td title={one.condition}>{one.condition}</td>
            {proof && (
              <td title={one.found}>
                {one.found}
                {one.cached && " (a cache answers otherwise)"}
              </td>
            )}
          </tr>
        ))}
      </Plain>
      {rows.length > MOST && <Quiet small>and {count(rows.length - MOST)} more</Quiet>}
    </Part>
  );
}

const rank = (met: boolean | null | undefined) => (met === false ? 0 : met ? 2 : 1);

function Sign({ met }: { met: boolean | null | undefined }) {
  if (met === undefined) return null;
  const [sign, label, color] =
    met === true
      ? ["✓", "holds", "verdigris"]
      : met === false
        ? ["✕", "doesn’t hold", "rust"]
        : ["?", "not told yet", "slate"];
  return (
    <Box component="span" role="img" aria-label={label} sx={{ color, fontWeight: 700 }}>
      {sign}
    </Box>
  );
}
