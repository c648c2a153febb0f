import { Figure, Quiet } from "../../../kit/pieces";
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
    <Figure>
      <Quiet component="span">
        {value.refused ? "left as it is" : value.kind === "pattern" ? "by a rule of the map" : "in the map"}
      </Quiet>
      <br />
      {!value.refused && <CheckNow crawl={crawl.id} decision={decision.id} />}
      <Button sx={{ py: 0, px: 0.5, minWidth: 0 }} disabled={undo.isPending} onClick={() => undo.mutate([decision.id])}>
        Take back
      </Button>
      <WhyNot error={undo.error} />
    </Figure>
  );
}
