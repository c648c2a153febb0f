import { asked } from "../../../kit/screen";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Crawl } from "../../../api/client";
import { counted } from "../../../kit/format";
import { Inline, Quiet, Spacer } from "../../../kit/pieces";
import { type Span, spanChoices } from "../../../kit/spans";
import { Toggles } from "../../../kit/Toggles";
import { GroupTable } from "./GroupTable";
import { useIntent } from "./useIntent";
import { WhatWouldChange } from "./WhatWouldChange";

/** Groups with their evidence on the left, what other wishes would change on the right. */
export function GroupDecisions({ site, crawl }: { site: number; crawl: Crawl }) {
  const intent = useIntent(site, crawl);
  const { span, setSpan } = intent;
  const evidence = asked(intent.evidence, "the evidence");
  if (evidence.state !== "ready") return <Unready screen={evidence} />;
  const { groups, proposals, windows } = evidence.data;
  const spans = spanChoices(windows);
  const pages = proposals.filter((one) => one.urls !== null);
  const sure = proposals.filter((one) => one.sure);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) clamp(230px, 25vw, 330px)",
        minHeight: 0,
      }}
    >
      <Box sx={{ overflow: "auto", pl: 2.5, pr: 2 }}>
        <Inline gap={1.5} align="baseline" mb={0.5}>
          {proposals.length > 0 && (
            <span>
              {counted(proposals.length - pages.length, "group")} and{" "}
              {counted(
                pages.reduce((sum, one) => sum + (one.count ?? 0), 0),
                "single page",
              )}{" "}
              have a proposal.
            </span>
          )}
          {sure.length > 0 && (
            <Button onClick={() => intent.accept(sure)}>
              {sure.length === proposals.length
                ? "Take them all as drafts"
                : `Take the ${sure.length} that are sure as drafts`}
            </Button>
          )}
          <Spacer />
          {spans.length > 0 && (
            <>
              <Quiet component="span">Clicks and impressions of</Quiet>
              <Toggles<Span> choices={spans} value={span} choose={setSpan} choiceSx={{ py: 0, px: 1 }} />
            </>
          )}
        </Inline>
        <GroupTable groups={groups} proposals={proposals} span={span} intent={intent} />
      </Box>
      <WhatWouldChange intent={intent} judging={crawl.judged_again} />
    </Box>
  );
}
