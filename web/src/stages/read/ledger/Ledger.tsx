import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { type ReactNode, useState } from "react";
import { count } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { writeWhere } from "../../../kit/conditions";
import { useCurrent } from "../../../kit/useCurrent";
import { useFetchAgain } from "../../../kit/useFetchAgain";
import { NothingYet } from "../../../kit/NothingYet";
import { COLUMN_SETS } from "./columnSets";
import { COLUMNS, type Column } from "./columns";
import { ConditionBar } from "./ConditionBar";
import { LedgerTable } from "./LedgerTable";
import { Lenses } from "./Lenses";
import { SelectionBar } from "./SelectionBar";
import { useLedger } from "./useLedger";
import { useSelection } from "./useSelection";

/** Every URL as a row with all evidence as columns. */
export default function Ledger() {
  const { crawl, loading, error } = useCurrent();
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the crawls" />;
  if (crawl?.state !== "finished") return <NothingYet>The ledger lists every URL once a crawl is finished.</NothingYet>;
  return <LedgerOf crawl={crawl.id} mainHost={hostOf(crawl.settings.start_urls?.[0])} />;
}

const hostOf = (url: string | undefined) => (url ? new URL(url).origin : "");

function LedgerOf({ crawl, mainHost }: { crawl: number; mainHost: string }) {
  const ledger = useLedger(crawl);
  const selection = useSelection(ledger.rows);
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateRows: "auto minmax(0, 1fr) auto" }}>
      <Title>Ledger</Title>
      <Box sx={{ px: 2.5, py: 1, display: "flex", gap: 2, alignItems: "start" }}>
        <Box sx={{ flex: 1 }}>
          <ConditionBar where={ledger.where} change={ledger.setWhere} />
        </Box>
        <FetchAgain crawl={crawl} where={writeWhere(ledger.where)} urls={ledger.totals.data?.urls} />
        <Lenses ledger={ledger} />
        <Export crawl={crawl} ledger={ledger} />
        <ColumnChoice columns={ledger.columns} choose={ledger.setColumns} />
      </Box>
      {ledger.pages.error ? (
        <Failed error={ledger.pages.error} retry={() => ledger.pages.refetch()} />
      ) : (
        <LedgerTable ledger={ledger} selection={selection} mainHost={mainHost} />
      )}
      <Footer totals={ledger.totals.data}>
        <SelectionBar selection={selection} narrow={ledger.narrow} />
      </Footer>
    </Box>
  );
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

const FORMATS = { csv: "CSV", xlsx: "Workbook (XLSX)", jsonl: "JSON Lines" };

/** What is shown, as a file: these conditions, this order, these columns. */
function Export({ crawl, ledger }: { crawl: number; ledger: ReturnType<typeof useLedger> }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const where = writeWhere(ledger.where);
  const query = new URLSearchParams({
    ...(where ? { where } : {}),
    sort: ledger.sort,
    cols: ledger.columns.map((column) => column.field).join(","),
  });
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Export
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)} slotProps={{ list: { dense: true } }}>
        {Object.entries(FORMATS).map(([ending, name]) => (
          <MenuItem
            key={ending}
            component="a"
            href={`/api/crawls/${crawl}/urls.${ending}?${query}`}
            download
            onClick={() => setAnchor(null)}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

function ColumnChoice({ columns, choose }: { columns: Column[]; choose: (fields: string[]) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const shown = columns.map((column) => column.field as string);
  const flip = (field: string) =>
    choose(
      shown.includes(field)
        ? shown.filter((one) => one !== field)
        : COLUMNS.map((one) => one.field as string).filter((one) => shown.includes(one) || one === field),
    );
  return (
    <>
      <Button variant="outlined" onClick={(event) => setAnchor(event.currentTarget)} aria-haspopup="menu">
        Columns
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)} slotProps={{ list: { dense: true } }}>
        {COLUMN_SETS.map((set) => (
          <MenuItem key={set.name} onClick={() => choose(set.fields)} sx={{ fontWeight: 650 }}>
            {set.name}
          </MenuItem>
        ))}
        <Divider />
        {COLUMNS.filter((column) => column.field !== "url").map((column) => (
          <MenuItem
            key={column.field}
            role="menuitemcheckbox"
            aria-checked={shown.includes(column.field)}
            onClick={() => flip(column.field)}
          >
            <Checkbox
              size="small"
              checked={shown.includes(column.field)}
              tabIndex={-1}
              sx={{ p: 0, mr: 1 }}
              disableRipple
              slotProps={{ input: { "aria-hidden": true } }}
            />
            {column.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

type TotalsData = {
  urls: number;
  of: number;
  wanted: number;
  indexable: number;
  with_faults: number;
  median_words: number | null;
};

function Footer({ totals, children }: { totals: TotalsData | undefined; children: ReactNode }) {
  return (
    <Box
      component="footer"
      aria-label="Totals"
      sx={{
        borderTop: 2,
        borderColor: "iron",
        bgcolor: "background.paper",
        px: 2.5,
        py: 1,
        display: "flex",
        gap: 4,
        minHeight: 38,
      }}
    >
      {totals && (
        <>
          <span>
            <strong>{count(totals.urls)}</strong> {totals.urls === totals.of ? "URLs" : `of ${count(totals.of)} URLs`}
          </span>
          <span>
            wanted <strong>{count(totals.wanted)}</strong>
          </span>
          <span>
            indexable <strong>{count(totals.indexable)}</strong>
          </span>
          <span>
            with faults <strong>{count(totals.with_faults)}</strong>
          </span>
          {totals.median_words !== null && (
            <span>
              median words <strong>{count(totals.median_words)}</strong>
            </span>
          )}
        </>
      )}
      <Box sx={{ flex: 1 }} />
      <Box sx={{ display: "flex", gap: 1, my: -0.5, alignItems: "center" }}>{children}</Box>
    </Box>
  );
}
