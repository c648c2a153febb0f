import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Crawl } from "../../../api/client";
import { count, counted, moment } from "../../../kit/format";
import { Inline, Quiet, Spacer, Whole } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { Chosen } from "./Chosen";
import { LeftOutRows } from "./LeftOutRows";
import { Trays } from "./Trays";
import { useLeftOut } from "./useStanding";

/** What the index left out: a tray for each class, the rows of the open one under them, the reason first. */
export function LeftOut({ crawl }: { crawl: Crawl }) {
  const left = useLeftOut(crawl);
  const { list, open, sort, looked, put, accept } = left;
  if (list.state !== "ready") return <Unready screen={list} />;
  const shown = list.data;
  const tray = shown.trays.find((one) => one.class === shown.class);
  return (
    <Whole rows="auto auto minmax(0, 1fr)">
      <Inline gap={1.5} wrap px={2.5}>
        <Quiet component="span">
          {shown.sorted_at
            ? `Sorted ${moment(shown.sorted_at)}, ${shown.live ? "each URL looked at then" : "as the crawl saw them"}`
            : "Not sorted out yet: each URL is looked at first, as the crawler and at the site’s speed"}
        </Quiet>
        <Spacer />
        <Button onClick={() => sort.mutate(false)} disabled={sort.isPending}>
          Sort by the crawl
        </Button>
        <Button
          variant={shown.sorted_at ? "outlined" : "contained"}
          onClick={() => sort.mutate(true)}
          disabled={sort.isPending}
        >
          {sort.isPending
            ? looked
              ? `${count(looked[0])}${looked[1] === null ? "" : ` of ${count(looked[1])}`} looked at …`
              : "Waiting for a worker …"
            : "Look at each now"}
        </Button>
      </Inline>
      <Trays list={shown} open={open} />
      <Box sx={{ overflow: "auto", px: 2.5 }} tabIndex={0} role="region" aria-label="URLs of this class">
        {(sort.error ?? put.error ?? accept.error) && (
          <Alert severity="error">{(sort.error ?? put.error ?? accept.error)?.message}</Alert>
        )}
        {accept.data && (
          <Alert severity="success" variant="outlined" onClose={() => accept.reset()}>
            {counted(accept.data.decided, "URL")} decided, {counted(accept.data.marked, "URL")} marked as work to be
            done.
            {accept.data.open.length > 0 &&
              ` ${counted(accept.data.open.length, "URL")} have no target yet: decide those under Redirects.`}
          </Alert>
        )}
        {tray && <Chosen list={shown} tray={tray} left={left} />}
        <LeftOutRows list={shown} left={left} />
      </Box>
    </Whole>
  );
}
