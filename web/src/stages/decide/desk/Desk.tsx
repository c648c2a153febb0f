import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { count, counted } from "../../../kit/format";
import { Apart, Inline, Filled, Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { BusinessFacts } from "./BusinessFacts";
import { DeskPage } from "./DeskPage";
import { type DeskList, useDesk, type WorthPage } from "./useDesk";
import { SiteUrl } from "../../../kit/SiteUrl";

const COLUMNS = ["Page", "Could gain", "Shown", "Clicks", "Mean place", "Importance", ""];

/** The words of one page at a time: first the pages that are worth it, then one of them. */
export default function Desk() {
  const { site, pages, text, setText, open, choose, view, setView } = useDesk();
  if (open) return <DeskPage key={open} site={site} url={open} close={() => choose(undefined)} />;
  return (
    <Filled>
      <Title>Desk</Title>
      <Apart px={2.5} py={1}>
        <Toggles<string> choices={VIEWS} value={view} choose={setView} choiceSx={{ py: 0.25, px: 1.25 }} />
      </Apart>
      {view === "business" ? (
        <BusinessFacts site={site} />
      ) : (
        <Pages pages={pages} text={text} setText={setText} choose={choose} />
      )}
    </Filled>
  );
}

const VIEWS = [
  { name: "pages", label: "Pages to work on" },
  { name: "business", label: "Business facts" },
];

function Pages({ pages, text, setText, choose }: Pick<DeskList, "pages" | "text" | "setText" | "choose">) {
  if (pages.state !== "ready") return <Unready screen={pages} />;
  return (
    <>
      <Inline gap={2} px={2.5} pb={1}>
        <TextField
          label="Address or title"
          value={text}
          onChange={(event) => setText(event.target.value)}
          sx={{ width: 280 }}
        />
        <Quiet component="span">
          Pages by what they could gain: those that are nearly on the first page of results for much that is searched.
        </Quiet>
      </Inline>
      <Scroll tabIndex={0} role="region" aria-label="Pages to work on">
        <Roomy label="Pages to work on" columns={COLUMNS}>
          {pages.data.pages.map((page) => (
            <Row key={page.url_id} page={page} open={() => choose(page.url_id)} />
          ))}
        </Roomy>
        {pages.data.pages.length === 0 && <Quiet>No page has that in its address or title.</Quiet>}
      </Scroll>
    </>
  );
}

function Row({ page, open }: { page: WorthPage; open: () => void }) {
  return (
    <tr>
      <td>
        <SiteUrl url={page.url} size={12} />
        <Quiet small>{page.title}</Quiet>
      </td>
      <td>
        {page.near_queries > 0
          ? `${counted(page.near_queries, "query", "queries")} nearly on the first page, shown ` +
            counted(page.near_impressions, "time")
          : "–"}
      </td>
      <td>{count(page.impressions ?? 0)}</td>
      <td>{count(page.clicks ?? 0)}</td>
      <td>{page.position?.toFixed(1) ?? "–"}</td>
      <td>{page.importance?.toFixed(1) ?? "–"}</td>
      <td>
        <Button size="small" sx={{ py: 0, whiteSpace: "nowrap" }} onClick={open} aria-label={`Work on ${page.url}`}>
          {page.drafted ? "Go on with its draft" : page.on_desk ? "Go on" : "Work on it"}
        </Button>
      </td>
    </tr>
  );
}
