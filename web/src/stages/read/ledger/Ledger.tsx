import { Inline, Whole } from "../../../kit/pieces";
import { useFinished } from "../../../kit/useFinished";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { writeWhere } from "../../../kit/conditions";
import { ExportMenu } from "../../../kit/ExportMenu";
import { count } from "../../../kit/format";
import { ColumnChoice } from "../../../kit/table/ColumnChoice";
import { ConditionBar } from "../../../kit/table/ConditionBar";
import { DataTable } from "../../../kit/table/DataTable";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { useFetchAgain } from "../../../kit/useFetchAgain";
import { COLUMN_SETS } from "./columnSets";
import { COLUMNS } from "./columns";
import { Footer } from "./Footer";
import { Gathered } from "./Gathered";
import { Marks } from "./Marks";
import { SavedViews } from "./SavedViews";
import { SelectionBar } from "./SelectionBar";
import { type LedgerState, useLedger } from "./useLedger";
import { useMarks } from "./useMarks";
import { useSelection } from "./useSelection";

/** Every URL as a row with all evidence as columns. */
export default function Ledger() {
  const crawl = useFinished("The ledger lists every URL once a crawl is finished.");
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  return <LedgerOf crawl={crawl.data.id} />;
}

function LedgerOf({ crawl }: { crawl: number }) {
  const ledger = useLedger(crawl);
  const selection = useSelection(ledger.rows);
  const marks = useMarks();
  const [markAsked, askMark] = useState<string | null>(null);
  const fields = ledger.columns.map((column) => column.field as string);
  return (
    <Whole rows="auto minmax(0, 1fr) auto">
      <Title>Ledger</Title>
      <Inline align="start" wrap px={2.5} py={1}>
        <Box sx={{ flex: "1 1 300px" }}>
          <ConditionBar columns={COLUMNS} where={ledger.where} change={ledger.setWhere} />
        </Box>
        <Inline align="stretch">
          <FetchAgain crawl={crawl} where={writeWhere(ledger.where)} urls={ledger.totals.data?.urls} />
          <SavedViews ledger={ledger} />
          <Marks marks={marks} asked={markAsked} ask={askMark} />
          <Export crawl={crawl} ledger={ledger} />
          <ColumnChoice all={COLUMNS} shown={fields} choose={ledger.setColumns} sets={COLUMN_SETS} />
        </Inline>
      </Inline>
      {ledger.by !== null ? (
        <Gathered crawl={crawl} by={ledger.by} ledger={ledger} />
      ) : ledger.shown.state !== "ready" ? (
        <Unready screen={ledger.shown} />
      ) : (
        <DataTable
          label="URLs"
          columns={ledger.columns}
          all={COLUMNS}
          rows={ledger.rows}
          keyOf={(row) => row.url_id}
          pages={ledger.pages}
          sort={ledger.sort}
          acts={{
            sort: ledger.setSort,
            groupBy: ledger.countBy,
            mark: askMark,
            order: fields,
            setOrder: ledger.setColumns,
          }}
          narrow={ledger.narrow}
          open={(row) => ledger.open(row.url_id)}
          opened={ledger.openUrl}
          picking={selection}
          marked={marks.marked}
          empty="No URL meets these conditions. Drop one of them above."
        />
      )}
      <Footer totals={ledger.totals.data}>
        <SelectionBar selection={selection} narrow={ledger.narrow} />
      </Footer>
    </Whole>
  );
}

/** What is shown, as a file: the rows, or their counts. */
function Export({ crawl, ledger }: { crawl: number; ledger: LedgerState }) {
  const where = writeWhere(ledger.where);
  if (ledger.by !== null) return <ExportMenu path={`crawls/${crawl}/gathered`} query={{ by: ledger.by, where }} />;
  const cols = ledger.columns.map((column) => column.field).join(",");
  return <ExportMenu path={`crawls/${crawl}/urls`} query={{ where, sort: ledger.sort, cols }} />;
}

/** Fetches what the ledger shows again, as a crawl of those URLs only. */
function FetchAgain({ crawl, where, urls }: { crawl: number; where: string | undefined; urls: number | undefined }) {
  const again = useFetchAgain();
  const { running } = useCurrent();
  if (!urls) return null;
  return (
    <Button
      variant="outlined"
      disabled={again.isPending || !!running}
      title={again.error?.message}
      color={again.error ? "error" : "primary"}
      onClick={() => again.mutate({ from: { crawl, where } })}
    >
      {again.error ? "Could not be started" : `Fetch ${urls === 1 ? "it" : `these ${count(urls)}`} again`}
    </Button>
  );
}
