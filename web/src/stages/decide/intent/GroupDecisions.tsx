import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Crawl } from "../../../api/client";
import { counted } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { Sign } from "../../../kit/signs/Sign";
import { GroupTable } from "./GroupTable";
import { useIntent } from "./useIntent";
import { WhatWouldChange } from "./WhatWouldChange";

/** Groups with their evidence on the left, what other wishes would change on the right. */
export function GroupDecisions({ site, crawl }: { site: number; crawl: Crawl }) {
  const intent = useIntent(site, crawl);
  const { evidence } = intent;
  if (evidence.error) return <Failed error={evidence.error} retry={() => evidence.refetch()} />;
  if (!evidence.data) return <Loading what="the evidence" />;
  const { groups, proposals } = evidence.data;
  const pages = proposals.filter((one) => one.urls !== null);
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) 330px", minHeight: 0 }}>
      <Box sx={{ overflow: "auto", pl: 2.5, pr: 2 }}>
        {proposals.length > 0 && (
          <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5, mb: 0.5 }}>
            <span>
              {counted(proposals.length - pages.length, "group")} and{" "}
              {counted(
                pages.reduce((sum, one) => sum + (one.count ?? 0), 0),
                "single page",
              )}{" "}
              have a proposal.
            </span>
            <Button onClick={() => intent.accept(proposals)}>Take them all as drafts</Button>
          </Box>
        )}
        <GroupTable groups={groups} proposals={proposals} intent={intent} />
        <Box sx={{ display: "flex", gap: 0.75, alignItems: "center", color: "text.secondary", fontSize: 12, my: 1.5 }}>
          <Sign state="unknown" /> no evidence yet: clicks, views and what is indexed come from the index
        </Box>
      </Box>
      <WhatWouldChange intent={intent} judging={crawl.judged_again} />
    </Box>
  );
}
