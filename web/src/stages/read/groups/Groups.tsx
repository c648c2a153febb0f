import { Columns, Whole } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { BottomBar } from "../../../kit/BottomBar";
import { Part } from "../../../kit/parts";
import { GroupList } from "./GroupList";
import { Limits } from "./Limits";
import { type Reading, useReading } from "./useReading";
import { Weights } from "./Weights";
import { useGroups } from "./useGroups";

/** What the pages of the site are judged by: groups of pages, limits, and what makes a page matter. */
export default function Groups() {
  const groups = useGroups();
  if (groups.state !== "ready") return <Unready screen={groups} />;
  return <Form {...groups.data} />;
}

function Form({ site, saved, judging }: { site: number; saved: Reading; judging: boolean }) {
  const reading = useReading(site, saved);
  const [chosen, choose] = useState<number | null>(null);
  const group = reading.groups.find((one) => one.key === chosen);
  return (
    <Whole rows="minmax(0, 1fr) auto">
      <Box sx={{ overflow: "auto", px: 2.5, py: 1.5 }}>
        <Typography variant="h1" sx={{ mb: 1.5 }}>
          What pages are judged by
        </Typography>
        <Columns of="minmax(560px, 8fr) minmax(380px, 5fr)" across={4}>
          <Part level="h2" title="Page groups, in order: the first pattern that fits takes the page">
            <GroupList reading={reading} chosen={chosen} choose={choose} />
          </Part>
          <Box sx={{ display: "grid", alignContent: "start", rowGap: 3 }}>
            <Part level="h2" title={group ? `Limits for ${group.name || "this group"}` : "Limits for the whole site"}>
              <Limits
                key={chosen ?? "site"}
                fields={saved.fields}
                values={group ? group.thresholds : reading.thresholds}
                usual={group ? reading.thresholds : {}}
                problems={reading.problems}
                change={(thresholds) =>
                  group ? reading.change(group.key, { thresholds }) : reading.setThresholds(thresholds)
                }
              />
              {group && <Button onClick={() => choose(null)}>Back to those for the whole site</Button>}
            </Part>
            <Part level="h2" title="What makes a page matter">
              <Weights usual={saved.default_weights} values={reading.weights} change={reading.setWeights} />
            </Part>
          </Box>
        </Columns>
      </Box>
      <SaveBar reading={reading} judging={judging} />
    </Whole>
  );
}

function SaveBar({ reading, judging }: { reading: ReturnType<typeof useReading>; judging: boolean }) {
  const { save, changed } = reading;
  return (
    <BottomBar>
      <Button variant="contained" disabled={!changed || save.isPending} onClick={() => save.mutate()}>
        Save and judge again
      </Button>
      {save.error ? (
        <Alert severity="error" sx={{ py: 0 }}>
          {save.error.message}
        </Alert>
      ) : (
        <Typography role="status" color="textSecondary">
          {judging
            ? "The pages are being judged again; the numbers change by themselves when it is done."
            : changed
              ? "Nothing is fetched again: what was crawled is judged anew."
              : "All of this is in use."}
        </Typography>
      )}
    </BottomBar>
  );
}
