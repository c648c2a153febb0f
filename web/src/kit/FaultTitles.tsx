import Box from "@mui/material/Box";
import { Link } from "react-router";
import { useAddress } from "./address";
import { useRules } from "./useRules";

/** Faults by what they find, in plain words; each leads to its cause where that is asked for. */
export function FaultTitles({ codes, linked = false }: { codes: string[]; linked?: boolean }) {
  const { title } = useRules();
  const { to } = useAddress();
  return (
    <>
      {codes.map((code, index) => (
        <span key={code} title={code}>
          {index > 0 && "; "}
          {linked ? (
            <Box component={Link} to={to("read/faults", { code })}>
              {title(code)}
            </Box>
          ) : (
            title(code)
          )}
        </span>
      ))}
    </>
  );
}
