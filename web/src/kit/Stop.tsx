import { CutOff } from "./pieces";
import Box from "@mui/material/Box";
import { causeOf, stateOfRung } from "./rungs";
import { Sign } from "./signs/Sign";

type Props = { stop: string | null | undefined; reason?: string | null | undefined; known?: boolean; passes?: string };

/** What keeps a page out of the index, named by its cause, with its sign; of one that nothing keeps out, that. */
export function Stop({ stop, reason, known = true, passes = "" }: Props) {
  return (
    <Box
      component="span"
      title={reason ?? undefined}
      sx={{ display: "inline-flex", gap: 0.75, alignItems: "center", maxWidth: "100%", verticalAlign: "bottom" }}
    >
      {stop ? (
        <Sign state={stateOfRung(stop)} size={14} />
      ) : (
        <Sign state={known ? "passes" : "unknown"} size={14} label={known ? "nothing stops it" : "not known"} />
      )}
      <CutOff component="span">{stop ? causeOf(stop) : passes}</CutOff>
    </Box>
  );
}
