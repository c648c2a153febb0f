import Button from "@mui/material/Button";
import InputBase from "@mui/material/InputBase";
import Snackbar from "@mui/material/Snackbar";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Crawl } from "../../../api/client";
import { count } from "../../../kit/format";
import { Inline, Quiet, Spacer, Whole } from "../../../kit/pieces";
import { type Span, spanChoices } from "../../../kit/spans";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import { ByPage } from "./ByPage";
import { ByQuery } from "./ByQuery";
import { MarkedText } from "./MarkedText";
import type { Marking } from "./useMarkedText";
import { BAND, type By, type Order, useQueries } from "./useQueries";

const PAGE = 100;
/** Farther they aren't counted. */
const MOST_COUNTED = 10_000;
const ORDERS: { name: Order; label: string; title?: string }[] = [
  { name: "near", label: "Near wins", title: "Only those a few places from being seen, most impressions first" },
  { name: "impressions", label: "Most shown", title: "All, most impressions first" },
  { name: "clicks", label: "Most clicked", title: "All, most clicks first" },
  { name: "competing", label: "Competing pages", title: "Only queries for which two pages of the site are shown" },
];

/** What people search for when they are shown these pages, near wins first, with the words that each page has. */
export default function Queries() {
  const crawl = useFinished("Queries are laid beside pages once a crawl is finished.");
  return crawl.state === "ready" ? <QueriesOf crawl={crawl.data} /> : <Unready screen={crawl} />;
}

function QueriesOf({ crawl }: { crawl: Crawl }) {
  const { write, change, typed, setTyped, by, order, span, band, from, found } = useQueries(crawl);
  const [marking, setMarking] = useState<Marking | null>(null);
  const limit = (name: keyof typeof BAND, label: string) => (
    <TextField
      size="small"
      type="number"
      label={label}
      value={band[name]}
      onChange={(event) => change({ [name]: event.target.value || undefined, from: undefined }, true)}
      sx={{ width: name === "least" ? 104 : 78 }}
    />
  );
  const total = found.data?.total ?? 0;
  const many = total >= MOST_COUNTED ? `${count(total)} and more` : count(total);
  return (
    <Whole rows="auto minmax(0, 1fr)">
      <Title>Queries</Title>
      <Inline gap={1.5} wrap px={2.5} py={1}>
        <Toggles<By>
          choices={[
            { name: "query", label: "By query" },
            { name: "page", label: "By page" },
          ]}
          value={by}
          choose={(name) => change({ by: name === "query" ? undefined : name, from: undefined }, true)}
          choiceSx={{ py: 0.25, px: 1.5 }}
        />
        <Toggles<Order>
          choices={by === "query" ? ORDERS : ORDERS.filter((one) => one.name !== "competing")}
          value={order}
          choose={(name) => change({ order: name === "near" ? undefined : name, from: undefined }, true)}
          choiceSx={{ py: 0.25, px: 1 }}
        />
        {found.state === "ready" && spanChoices(found.data.windows).length > 0 && (
          <Toggles<Span>
            choices={spanChoices(found.data.windows)}
            value={span}
            choose={(name) => change({ span: name === "short" ? undefined : name, from: undefined }, true)}
            choiceSx={{ py: 0.25, px: 1 }}
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
          sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider", borderRadius: 1, px: 1, width: 130 }}
        />
        <Inline gap={1.5} align="stretch">
          {limit("first", "Place from")}
          {limit("last", "to")}
          {limit("least", "Shown from")}
        </Inline>
        <Spacer />
        <Quiet component="span">{total > 0 && `${many} ${by === "query" ? "queries" : "pages"}`}</Quiet>
        {from > 0 && <Button onClick={() => change({ from: String(from - PAGE) })}>Back</Button>}
        {total > from + PAGE && <Button onClick={() => change({ from: String(from + PAGE) })}>Further</Button>}
      </Inline>
      {found.state !== "ready" ? (
        <Unready screen={found} />
      ) : found.data.rows.length === 0 ? (
        <Unready
          screen={{
            state: "empty",
            why: "No query is known, or none is so. Bring clicks by query under Crawl, Evidence.",
          }}
        />
      ) : by === "query" ? (
        <ByQuery rows={found.data.rows} band={band} mark={setMarking} write={write.mutate} />
      ) : (
        <ByPage rows={found.data.rows} />
      )}
      <Snackbar
        open={write.isSuccess || write.isError}
        autoHideDuration={8000}
        onClose={() => write.reset()}
        message={write.isError ? write.error.message : `${write.data?.id} is in the workplan`}
      />
      <MarkedText crawl={crawl} marking={marking} close={() => setMarking(null)} />
    </Whole>
  );
}
