import { Inline, Room, Spacer } from "../../../kit/pieces";
import { useTrellis } from "./useTrellis";
import { type Cell, type Reading, READINGS } from "./types";
import { Unready } from "../../../kit/Unready";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { type Trellis } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import type { Condition } from "../../../kit/conditions";
import { count } from "../../../kit/format";
import { Empty } from "../../../kit/Notice";
import { Toggles } from "../../../kit/Toggles";
import { TodayLines } from "./TodayLines";
import { TrellisDrawing } from "./TrellisDrawing";
import { TrellisTable } from "./TrellisTable";

/** Where pages stop on their way into the index. */
export default function TrellisScreen() {
  const { trellis, running, chosen } = useTrellis();
  const { search, change, to } = useAddress();
  if (trellis.state === "empty")
    return <NothingYet running={running} setup={to("crawl/setup")} live={to("crawl/live")} />;
  if (trellis.state !== "ready") return <Unready screen={trellis} />;

  const reading = chosen ?? (trellis.data.wanted > 0 ? "wanted" : "all");
  const asTable = search.get("as") === "table";
  const cellAddress = (cell: Cell) => to("read/ledger", narrowed(...conditionsOf(cell, reading)));
  return (
    <Room>
      <TodayLines />
      <Inline gap={2} align="baseline" mb={1}>
        <Typography variant="h1">Where pages stop on their way into the index</Typography>
        <Typography color="textSecondary">{headline(trellis.data, reading)}</Typography>
        <Spacer />
        <Button onClick={() => change({ as: asTable ? undefined : "table" }, true)}>
          {asTable ? "As a drawing" : "As a table"}
        </Button>
        <Toggles
          choices={READINGS}
          value={reading}
          choose={(value) => change({ reading: value }, true)}
          choiceSx={{ py: 0.5 }}
        />
      </Inline>
      {trellis.data.groups.length === 0 ? (
        <NoPages reading={reading} decide={to("decide/intent")} />
      ) : asTable ? (
        <TrellisTable trellis={trellis.data} addressOf={cellAddress} />
      ) : (
        <TrellisDrawing trellis={trellis.data} strays={reading === "strays"} addressOf={cellAddress} />
      )}
    </Room>
  );
}

function headline(trellis: Trellis, reading: Reading) {
  const all = count(trellis.pages);
  if (reading === "strays")
    return `${count(trellis.pages - trellis.stopping)} of ${all} pages that should be kept out are indexable`;
  const which = reading === "wanted" ? " that should be indexed" : "";
  return `${count(trellis.stopping)} of ${all} pages${which} are stopped`;
}

/** The ledger conditions for the URLs behind one cell. */
function conditionsOf(cell: Cell, reading: Reading): Condition[] {
  return [
    { field: "group", op: "is", value: cell.group },
    cell.stop === null ? { field: "stop", op: "empty" } : { field: "stop", op: "is", value: cell.stop },
    ...(reading === "wanted" ? [{ field: "wanted", op: "is", value: true }] : []),
    ...(reading === "strays" ? [{ field: "intent", op: "is", value: "keep_out" }] : []),
    // The trellis counts pages and documents, not what they embed.
    ...["image", "script", "style"].map((kind) => ({ field: "kind", op: "is_not", value: kind })),
  ];
}

function NothingYet({ running, setup, live }: { running: boolean; setup: string; live: string }) {
  return (
    <Empty
      title={running ? "The first crawl is still running" : "Nothing to read yet"}
      action={
        <Button component={Link} to={running ? live : setup} variant="contained">
          {running ? "Watch it" : "Set up a crawl"}
        </Button>
      }
    >
      {running
        ? "The trellis is drawn when it is finished."
        : "Crawl the site first; then this shows where its pages stop."}
    </Empty>
  );
}

function NoPages({ reading, decide }: { reading: Reading; decide: string }) {
  return (
    <Empty
      title={reading === "strays" ? "Nothing is to be kept out yet" : "First decide what should be indexed"}
      action={
        <Button component={Link} to={decide} variant="contained">
          Decide what should be indexed
        </Button>
      }
    >
      {reading === "strays"
        ? "Once you have decided which pages should be kept out, this shows those that are indexable all the same."
        : "Nothing says so yet: no group was decided about, no page is marked as key page, and no sitemap lists one."}
    </Empty>
  );
}
