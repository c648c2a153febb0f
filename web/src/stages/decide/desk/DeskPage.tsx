import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { moment } from "../../../kit/format";
import { Inline, Quiet, Spacer, Whole } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Unready } from "../../../kit/Unready";
import { UrlText } from "../../../kit/UrlText";
import { Aims } from "./Aims";
import { FitOf } from "./FitOf";
import { MarkedUp } from "./MarkedUp";
import { Missing } from "./Missing";
import { Paper } from "./Paper";
import { Pictures } from "./Pictures";
import { Result } from "./Result";
import { Rivals } from "./Rivals";
import { Terms } from "./Terms";
import { type DeskWork, type Sheet, useDeskPage } from "./useDeskPage";

/** One page: its text in the middle as it is read, notes at its sides, its terms below. */
export function DeskPage({ site, url, close }: { site: number; url: string; close: () => void }) {
  const work = useDeskPage(site, url);
  if (work.sheet.state !== "ready") return <Unready screen={work.sheet} />;
  const sheet = work.sheet.data;
  const error = [work.keep, work.read, work.handOver, work.addFile, work.best, work.preview].find((one) => one.error);
  return (
    <Whole rows="auto minmax(0, 1fr)">
      <Title>Desk</Title>
      <Toolbar sheet={sheet} work={work} close={close} />
      <Box sx={{ overflow: "auto", px: 2.5, pb: 3 }} tabIndex={0} role="region" aria-label="Desk">
        {error?.error && <Alert severity="error">{error.error.message}</Alert>}
        {work.handOver.data && (
          <Alert severity="success" variant="outlined">
            Handed over as {work.handOver.data.id}, with the texts before and after. It stands under Plan, Workplan.
          </Alert>
        )}
        <Box sx={COLUMNS}>
          <Box sx={SIDE}>
            <Aims sheet={sheet} work={work} />
            <Missing sheet={sheet} />
          </Box>
          <Paper sheet={sheet} work={work} />
          <Box sx={SIDE}>
            <Result sheet={sheet} work={work} />
            <FitOf sheet={sheet} />
          </Box>
        </Box>
        <Box sx={{ ...SIDE, mt: 2 }}>
          <Rivals sheet={sheet} work={work} />
          <Terms sheet={sheet} />
          <Pictures sheet={sheet} work={work} />
          <MarkedUp sheet={sheet} work={work} />
        </Box>
      </Box>
    </Whole>
  );
}

function Toolbar({ sheet, work, close }: { sheet: Sheet; work: DeskWork; close: () => void }) {
  const drafted = Object.keys(work.draft).length > 0;
  return (
    <Inline gap={1.5} wrap px={2.5} py={1}>
      <Button onClick={close}>All pages</Button>
      <UrlText url={sheet.url} withHost />
      <Quiet component="span" small>
        {sheet.read_at ? `read ${moment(sheet.read_at)}` : "as the newest crawl has it"}
      </Quiet>
      <Spacer />
      <Quiet component="span" role="status">
        {work.keep.isPending ? "Keeping …" : drafted ? "The draft is kept." : "No draft yet."}
      </Quiet>
      <Button disabled={!drafted} onClick={work.startOver}>
        Drop the draft
      </Button>
      <Button
        variant="contained"
        disabled={!drafted || work.handOver.isPending || work.keep.isPending}
        onClick={() => work.handOver.mutate()}
      >
        Hand over
      </Button>
    </Inline>
  );
}

const COLUMNS = {
  display: "grid",
  gap: 2.5,
  gridTemplateColumns: "minmax(0, 3fr) minmax(0, 6fr) minmax(0, 4fr)",
  alignItems: "start",
} as const;
const SIDE = { display: "grid", gap: 2, alignContent: "start", gridTemplateColumns: "minmax(0, 1fr)" } as const;
