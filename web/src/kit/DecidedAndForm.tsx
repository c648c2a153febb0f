import { Unready } from "./Unready";
import { asked } from "./screen";
import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { Decided } from "./Decided";
import { Part } from "./parts";
import type { DecisionKind } from "./decisions";
import { useDecisions } from "./useDecisions";

type Props = { site: number; kind: DecisionKind; title: string; formTitle: string; children: ReactNode };

/** What was decided of one kind, and beside it the form by which more is. */
export function DecidedAndForm({ site, kind, title, formTitle, children }: Props) {
  const decisions = asked(useDecisions(site, kind), "the decisions");
  if (decisions.state !== "ready") return <Unready screen={decisions} />;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)",
        columnGap: 4,
        px: 2.5,
        overflow: "auto",
        alignContent: "start",
      }}
    >
      <Part level="h2" title={title}>
        <Decided site={site} decisions={decisions.data} />
      </Part>
      <Part level="h2" title={formTitle}>
        {children}
      </Part>
    </Box>
  );
}
