import { Inline, Column, Room } from "../../../kit/pieces";
import { useCompare } from "./useCompare";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { ApiError, type Crawl } from "../../../api/client";
import { day } from "../../../kit/format";
import { Empty } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { ByFix } from "./ByFix";
import { FaultChanges } from "./FaultChanges";
import { Moves } from "./Moves";
import { useComparison } from "./useComparison";
import { useJudgeAgain } from "./useJudgeAgain";

/** Two crawls of the site: what rose and fell on the ladder, came and went, and what became of the faults. */
export default function Compare() {
  const { screen, crawl, earlier, chosen, choose } = useCompare();
  if (screen.state === "failed" || screen.state === "loading") return <Unready screen={screen} />;
  if (!crawl || !chosen)
    return (
      <>
        <Title>Compare</Title>
        <Empty title="Nothing to compare yet">
          Two crawls of the whole site are needed: crawl it again after something was changed, and see here what became
          of it.
        </Empty>
      </>
    );
  return (
    <Room>
      <Inline gap={1.5} align="baseline" mb={2}>
        <Typography variant="h1" sx={{ whiteSpace: "nowrap" }}>
          What changed
        </Typography>
        <Typography sx={{ color: "text.secondary", whiteSpace: "nowrap" }}>
          Crawl {crawl.number} of {day(crawl.created_at)} against
        </Typography>
        <TextField
          select
          variant="standard"
          size="small"
          sx={{ width: "auto" }}
          value={chosen.id}
          onChange={(event) => choose(event.target.value)}
          slotProps={{ htmlInput: { "aria-label": "The earlier crawl" } }}
        >
          {earlier.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              crawl {one.number} of {day(one.created_at)}
            </MenuItem>
          ))}
        </TextField>
      </Inline>
      <Comparison newer={crawl} earlier={chosen} />
    </Room>
  );
}

function Comparison({ newer, earlier }: { newer: Crawl; earlier: Crawl }) {
  const { compared } = useComparison({ newer, earlier });
  if (compared.state === "failed" && compared.error instanceof ApiError && compared.error.status === 409)
    return <JudgeAgain earlier={earlier} reason={compared.error.message} />;
  if (compared.state !== "ready") return <Unready screen={compared} />;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 1fr) minmax(0, 1fr)" },
        columnGap: 4,
        rowGap: 2,
      }}
    >
      <Column>
        <Moves newer={newer.id} earlier={earlier.id} compared={compared.data} />
        <ByFix fixes={compared.data.fixes} groups={compared.data.groups} />
      </Column>
      <FaultChanges faults={compared.data.faults} />
    </Box>
  );
}

/** The earlier crawl was judged by other rules: one button has it judged by these. */
function JudgeAgain({ earlier, reason }: { earlier: Crawl; reason: string }) {
  const { again, judging } = useJudgeAgain({ earlier });
  return (
    <Empty
      title="The two can't be compared as they stand"
      action={
        <Button variant="contained" disabled={judging} onClick={() => again.mutate()}>
          {judging ? `Judging crawl ${earlier.number} again …` : `Judge crawl ${earlier.number} again`}
        </Button>
      }
    >
      {again.error?.message ?? reason}
    </Empty>
  );
}
