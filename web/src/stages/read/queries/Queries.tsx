import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import InputBase from "@mui/material/InputBase";
import TextField from "@mui/material/TextField";
import type { Crawl } from "../../../api/client";
import { counted } from "../../../kit/format";
import { Quiet, Spring } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import { ByPage } from "./ByPage";
import { ByQuery } from "./ByQuery";
import { BAND, type By, type Order, useQueries } from "./useQueries";

const PAGE = 100;
const ORDERS: { name: Order; label: string; title?: string }[] = [
  { name: "near", label: "Near wins", title: "A few places from being seen, most impressions first" },
  { name: "impressions", label: "Impressions" },
  { name: "clicks", label: "Clicks" },
  { name: "competing", label: "Competing pages", title: "Two pages of the site are shown for one query" },
];

/** What people search for when they are shown these pages, near wins first, with the words that each page has. */
export default function Queries() {
  const crawl = useFinished("Queries are laid beside pages once a crawl is finished.");
  return crawl.state === "ready" ? <QueriesOf crawl={crawl.data} /> : <Unready screen={crawl} />;
}

function QueriesOf({ crawl }: { crawl: Crawl }) {
  const { change, typed, setTyped, by, order, band, from, found } = useQueries(crawl);
  const limit = (name: keyof typeof BAND, label: string) => (
    <TextField
      size="small"
      type="number"
      label={label}
      value={band[name]}
      onChange={(event) => change({ [name]: event.target.value || undefined, from: undefined }, true)}
      sx={{ width: 108 }}
    />
  );
  const total = found.data?.total ?? 0;
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateRows: "auto minmax(0, 1fr)" }}>
      <Title>Queries</Title>
      <Box sx={{ px: 2.5, py: 1, display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
        <Toggles<By>
          choices={[
            { name: "query", label: "By query" },
            { name: "page", label: "By page" },
          ]}
          value={by}
          choose={(name) => change({ by: name === "query" ? undefined : name, from: undefined }, true)}
          choiceSx={{ py: 0.25, px: 1.5 }}
        />
        {by === "query" && (
          <Toggles<Order>
            choices={ORDERS}
            value={order}
            choose={(name) => change({ order: name === "near" ? undefined : name, from: undefined }, true)}
            choiceSx={{ py: 0.25, px: 1.25 }}
          />
        )}
        <InputBase
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            change({ text: event.target.value || undefined, from: undefined }, true);
          }}
          placeholder={by === "query" ? "A part of the query" : "A part of the address"}
          inputProps={{ "aria-label": by === "query" ? "A part of the query" : "A part of the address" }}
          sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider", borderRadius: 1, px: 1, width: 190 }}
        />
        {limit("first", "Near from place")}
        {limit("last", "to place")}
        {limit("least", "Impressions from")}
        <Spring />
        <Quiet component="span">{by === "query" && total > 0 && counted(total, "query", "queries")}</Quiet>
        {from > 0 && <Button onClick={() => change({ from: String(from - PAGE) })}>Back</Button>}
        {total > from + PAGE && <Button onClick={() => change({ from: String(from + PAGE) })}>Further</Button>}
      </Box>
      {found.state !== "ready" ? (
        <Unready screen={found} />
      ) : found.data.rows.length === 0 ? (
        <Unready
          screen={{
            state: "empty",
            why: "No query is known, or none is so. Bring clicks by query under Crawl, Sources.",
          }}
        />
      ) : by === "query" ? (
        <ByQuery rows={found.data.rows} band={band} />
      ) : (
        <ByPage rows={found.data.rows} />
      )}
    </Box>
  );
}
