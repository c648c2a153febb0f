import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Crawl, Schemas } from "../../../api/client";
import { CheckNow } from "../../../kit/CheckNow";
import { valueOf } from "../../../kit/decisions";
import { useUndo } from "../../../kit/useDecide";
import { WhyNot } from "../../../kit/WhyNot";

type Props = { site: number; crawl: Crawl; decision: Schemas["Decision"] | null };

/** What was decided about a lost address: it can be checked now, and taken back. */
export function Settled({ site, crawl, decision }: Props) {
  const undo = useUndo(site);
  const value = valueOf(decision, "route");
  if (!decision || !value) return <span />;
  return (
    <Box sx={{ textAlign: "right" }}>
      <Box component="span" sx={{ color: "text.secondary" }}>
        {value.refused ? "left as it is" : value.kind === "pattern" ? "by a rule of the map" : "in the map"}
      </Box>
      <br />
      {!value.refused && <CheckNow crawl={crawl.id} decision={decision.id} />}
      <Button sx={{ py: 0, px: 0.5, minWidth: 0 }} disabled={undo.isPending} onClick={() => undo.mutate([decision.id])}>
        Take back
      </Button>
      <WhyNot error={undo.error} />
    </Box>
  );
}
