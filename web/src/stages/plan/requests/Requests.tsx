import Alert from "@mui/material/Alert";
import { Apart, Filled, Scroll } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { FetchAgain } from "./FetchAgain";
import { Hides } from "./Hides";
import { Past } from "./Past";
import { useRequests } from "./useRequests";

const NO_INDEX = "No index is known yet. Bring what one says, or connect it, under Crawl, Evidence.";

/** What indexes are to be asked for: to fetch pages again within their quota, to hide pages for a while. */
export default function Requests() {
  const work = useRequests();
  if (work.requests.state !== "ready") return <Unready screen={work.requests} />;
  const told = work.requests.data;
  if (told.indexes.length === 0) return <Unready screen={{ state: "empty", why: NO_INDEX }} />;
  const waiting = told.indexes.reduce((sum, index) => sum + index.waiting, 0);
  const error = [work.add, work.tick, work.ask, work.hide].find((one) => one.error)?.error;
  return (
    <Filled>
      <Title>Requests</Title>
      <Apart px={2.5} py={1}>
        <Toggles<string>
          choices={[
            { name: "again", label: `To fetch again ${waiting}` },
            { name: "past", label: `What became of it ${told.past.length}` },
            { name: "hides", label: `Hidden pages ${told.hides.length}` },
          ]}
          value={work.view}
          choose={work.setView}
          choiceSx={{ py: 0.25, px: 1.25 }}
        />
      </Apart>
      <Scroll tabIndex={0} role="region" aria-label="Requests">
        {error && <Alert severity="error">{error.message}</Alert>}
        {work.view === "again" && <FetchAgain told={told} work={work} />}
        {work.view === "past" && <Past rows={told.past} />}
        {work.view === "hides" && <Hides told={told} work={work} />}
      </Scroll>
    </Filled>
  );
}
