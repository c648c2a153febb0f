import { TotalsBar } from "../../../kit/TotalsBar";
import { Inline, Quiet, Whole } from "../../../kit/pieces";
import { useFinished } from "../../../kit/useFinished";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { writeWhere } from "../../../kit/conditions";
import { ExportMenu } from "../../../kit/ExportMenu";
import { count, counted } from "../../../kit/format";
import { ColumnChoice } from "../../../kit/table/ColumnChoice";
import { nameOf } from "../../../kit/table/columns";
import { ConditionBar } from "../../../kit/table/ConditionBar";
import { DataTable } from "../../../kit/table/DataTable";
import { Title } from "../../../kit/Title";
import { COLUMNS } from "./columns";
import { CountedLinks } from "./CountedLinks";
import { COUNTED_BY, QUESTIONS } from "./questions";
import { type LinksState, useLinks } from "./useLinks";

/** All links of the site: who links to what, with which words, and how that answers. */
export default function Links() {
  const crawl = useFinished("Links are listed once a crawl is finished.");
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  return <LinksOf crawl={crawl.data.id} />;
}

function LinksOf({ crawl }: { crawl: number }) {
  const links = useLinks(crawl);
  const fields = links.columns.map((column) => column.field as string);
  return (
    <Whole rows="auto auto minmax(0, 1fr) auto">
      <Title>Links</Title>
      <Questions links={links} />
      <Inline wrap px={2.5} pb={1}>
        <Box sx={{ flex: "1 1 300px" }}>
          <ConditionBar columns={COLUMNS} where={links.where} change={links.setWhere} />
        </Box>
        <CountBy links={links} />
        <ExportMenu
          path={`crawls/${crawl}/links`}
          query={{ where: links.query, sort: links.sort || undefined, cols: fields.join(",") }}
        />
        <ColumnChoice all={COLUMNS} shown={fields} choose={links.setColumns} />
      </Inline>
      {links.by !== null ? (
        <CountedLinks crawl={crawl} by={links.by} links={links} />
      ) : links.shown.state !== "ready" ? (
        <Unready screen={links.shown} />
      ) : (
        <DataTable
          label="Links"
          columns={links.columns}
          all={COLUMNS}
          rows={links.rows}
          keyOf={(row) => `${row.source_id} ${row.position}`}
          pages={links.pages}
          sort={links.sort}
          acts={{ sort: links.setSort, groupBy: links.countBy, order: fields, setOrder: links.setColumns }}
          narrow={links.narrow}
          open={(row) => links.open(row.source_id)}
          opened={null}
          empty="No link meets these conditions."
        />
      )}
      <Totals links={links} />
    </Whole>
  );
}

/** What is asked most, a click each. */
function Questions({ links }: { links: LinksState }) {
  return (
    <Box
      component="nav"
      aria-label="Questions"
      sx={{ px: 2.5, pt: 1, pb: 0.5, display: "flex", flexWrap: "wrap", columnGap: 0.5 }}
    >
      {QUESTIONS.map((one) => {
        const asked = writeWhere(one.where) === links.query;
        return (
          <Button
            key={one.name}
            aria-pressed={asked}
            onClick={() => links.ask(one.where, one.by)}
            sx={{
              color: "text.primary",
              fontWeight: asked ? 700 : 500,
              borderBottom: 2,
              borderColor: asked ? "verdigris" : "transparent",
              borderRadius: 0,
            }}
          >
            {one.name}
          </Button>
        );
      })}
    </Box>
  );
}

function CountBy({ links }: { links: LinksState }) {
  const known = COUNTED_BY.some(([field]) => field === links.by);
  return (
    <TextField
      select
      variant="standard"
      label="Count by"
      value={links.by ?? ""}
      onChange={(event) => links.countBy(event.target.value === "" ? undefined : event.target.value)}
      sx={{ width: 170, mt: -1 }}
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <MenuItem value="">nothing: each link</MenuItem>
      {COUNTED_BY.map(([field, name]) => (
        <MenuItem key={field} value={field}>
          {name}
        </MenuItem>
      ))}
      {links.by !== null && !known && <MenuItem value={links.by}>{links.by}</MenuItem>}
    </TextField>
  );
}

/** How many links these are, and of which kinds. */
function Totals({ links }: { links: LinksState }) {
  const totals = links.totals.data;
  const type = COLUMNS.find((column) => column.field === "type");
  return (
    <TotalsBar>
      {totals?.links === null && <span>too many to be counted in time</span>}
      {totals?.links != null && (
        <>
          <strong>{counted(totals.links, "link")}</strong>
          <span>
            on <strong>{counted(totals.pages ?? 0, "page")}</strong>
          </span>
          <span>
            to <strong>{counted(totals.targets ?? 0, "address", "addresses")}</strong>
          </span>
          {totals.types && totals.types.length > 1 && (
            <Quiet component="span">
              {totals.types.map((one) => `${type ? nameOf(type, one.type) : one.type} ${count(one.links)}`).join(" · ")}
            </Quiet>
          )}
        </>
      )}
    </TotalsBar>
  );
}
