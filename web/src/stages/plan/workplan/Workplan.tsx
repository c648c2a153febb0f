import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { FileLinks } from "../../../kit/FileLinks";
import { Inline, Filled, Quiet, Spacer } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { AsList } from "./AsList";
import { FixSheet } from "../../../kit/fix/FixSheet";
import { LanesView, laidOutSentence } from "./LanesView";
import { PlanDialog } from "./PlanDialog";
import { useLanes } from "./useLanes";
import { useWorkplan } from "./useWorkplan";
import { WeekList } from "./WeekList";
import { WhoAndWhen } from "./WhoAndWhen";

const VIEWS = [
  { name: "lanes", label: "By day" },
  { name: "list", label: "List" },
  { name: "weeks", label: "Week by week" },
] as const;
const ZOOMS = [
  { name: "160", label: "Days" },
  { name: "56", label: "Weeks" },
  { name: "18", label: "Months" },
] as const;
type View = (typeof VIEWS)[number]["name"];
type Zoom = (typeof ZOOMS)[number]["name"];

/** What is to be done: who does it when, as lanes, as a list, or week by week. */
export default function Workplan() {
  const list = useWorkplan();
  const work = useLanes(list.site);
  const [dialog, setDialog] = useState<"lay out" | "what if">();
  const [settings, setSettings] = useState(false);
  const plan = work.lanes.state === "ready" ? work.lanes.data : undefined;
  const view = (list.view ?? "lanes") as View;
  const zoom = (list.zoom ?? "160") as Zoom;
  const today = new Date().toISOString().slice(0, 10);
  return (
    <Filled>
      <Title>Workplan</Title>
      <Inline gap={1.5} wrap px={2.5} py={1}>
        <Toggles<View> choices={[...VIEWS]} value={view} choose={list.setView} choiceSx={CHOICE} />
        {view === "lanes" && (
          <Toggles<Zoom> choices={[...ZOOMS]} value={zoom} choose={list.setZoom} choiceSx={CHOICE} />
        )}
        <Spacer />
        <Button onClick={() => setSettings(true)}>Who and when</Button>
        <Button variant="outlined" disabled={!plan || plan.owners.length === 0} onClick={() => setDialog("what if")}>
          What if …
        </Button>
        <Button variant="contained" disabled={!plan} onClick={() => setDialog("lay out")}>
          Lay out
        </Button>
      </Inline>
      <Inline gap={1.5} px={2.5} pb={0.5}>
        <Quiet component="span">{plan && laidOutSentence(plan)}</Quiet>
        <Spacer />
        <FileLinks
          what="The plan:"
          files={["ics", "csv", "xlsx"].map((name) => ({
            name: name === "ics" ? "calendar" : name.toUpperCase(),
            href: `/api/sites/${list.site}/workplan.${name}`,
          }))}
        />
      </Inline>
      {list.again.error && <Alert severity="error">{list.again.error.message}</Alert>}
      <Box sx={{ flex: 1, minHeight: 0 }}>
        {view === "lanes" && <LanesView work={work} zoom={Number(zoom)} open={list.openFix} />}
        {view === "list" && <AsList work={list} />}
        {view === "weeks" && plan && <WeekList plan={plan} owner={list.owner} setOwner={list.setOwner} />}
      </Box>
      {dialog && (
        <PlanDialog
          work={work}
          start={plan && plan.bars.length > 0 && plan.start > today ? plan.start : today}
          what={dialog}
          close={() => {
            work.attempt.reset();
            setDialog(undefined);
          }}
        />
      )}
      <WhoAndWhen work={work} open={settings} close={() => setSettings(false)} />
      <FixSheet site={list.site} id={list.open} owners={plan?.owners ?? []} close={() => list.openFix(undefined)} />
    </Filled>
  );
}

const CHOICE = { py: 0.25, px: 1.25 };
