import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Select from "@mui/material/Select";
import type { Crawl } from "../../../api/client";
import { count, counted, moment } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Quiet, Spring } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { STANDINGS } from "../../../kit/standings";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Unready } from "../../../kit/Unready";
import { type LeftOutList, type Row, useLeftOut } from "./useStanding";

/** What the index left out: a tray for each class, the rows of the open one under them, the reason first. */
export function LeftOut({ crawl }: { crawl: Crawl }) {
  const left = useLeftOut(crawl);
  const { list, open, sort, looked, put, accept } = left;
  if (list.state !== "ready") return <Unready screen={list} />;
  const shown = list.data;
  const tray = shown.trays.find((one) => one.class === shown.class);
  const waiting = (tray?.urls ?? 0) - (tray?.accepted ?? 0);
  return (
    <Box sx={{ display: "grid", gridTemplateRows: "auto auto minmax(0, 1fr)", height: "100%" }}>
      <Box sx={{ px: 2.5, display: "flex", gap: 1.5, alignItems: "center", flexWrap: "wrap" }}>
        <Quiet component="span">
          {shown.sorted_at
            ? `Sorted ${moment(shown.sorted_at)}, ${shown.live ? "each URL looked at then" : "as the crawl saw them"}`
            : "Not sorted out yet: each URL is looked at first, as the crawler and at the site’s speed"}
        </Quiet>
        <Spring />
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
      </Box>
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
              ` ${counted(accept.data.open.length, "URL")} have no target yet: decide those under Routes.`}
          </Alert>
        )}
        {tray && (
          <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", py: 1 }}>
            <strong>{tray.label}</strong>
            <Quiet component="span">
              {counted(tray.urls, "URL")}, {count(tray.accepted)} dealt with
            </Quiet>
            <Spring />
            {waiting > 0 && tray.class !== null && (
              <Button
                variant="outlined"
                onClick={() => accept.mutate({ class: tray.class as string })}
                disabled={accept.isPending}
              >
                {tray.act}: all {count(waiting)}
              </Button>
            )}
          </Box>
        )}
        <Rows
          list={shown}
          put={(row, to) => put.mutate({ urls: [row.url_id], to })}
          accept={(row) => accept.mutate({ urls: [row.url_id] })}
        />
      </Box>
    </Box>
  );
}

function Trays({ list, open }: { list: LeftOutList; open: (name: string) => void }) {
  return (
    <Box component="nav" aria-label="Classes" sx={{ display: "flex", gap: 0.75, px: 2.5, py: 1, overflowX: "auto" }}>
      {list.trays.map((tray) => {
        const chosen = tray.class === list.class;
        return (
          <Box
            key={tray.class ?? "none"}
            component="button"
            aria-pressed={chosen}
            onClick={() => tray.class && open(tray.class)}
            sx={{
              flex: "1 1 0",
              minWidth: 104,
              textAlign: "left",
              font: "inherit",
              color: tray.urls === 0 ? "text.secondary" : "text.primary",
              bgcolor: chosen ? "background.paper" : "transparent",
              border: 1,
              borderBottom: chosen ? 4 : 1,
              borderColor: chosen ? "iron" : "divider",
              p: 0.75,
              cursor: "pointer",
            }}
          >
            <Box component="span" sx={{ display: "block", fontSize: 20 }}>
              {count(tray.urls)}
            </Box>
            <Box component="span" sx={{ fontSize: 12, lineHeight: 1.2, display: "block" }}>
              {tray.label}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}

const ACTS: Record<string, string> = {
  none: "Leave it",
  repoint: "Repoint links",
  route: "Redirect",
  server: "Mend the server",
  open: "Open it",
  close_off: "Keep it out",
  link_or_retire: "Link or retire",
  merge: "Merge",
  request: "Ask to fetch",
  strengthen: "Strengthen",
};

type RowsProps = { list: LeftOutList; put: (row: Row, to: Row["class"]) => void; accept: (row: Row) => void };

function Rows({ list, put, accept }: RowsProps) {
  if (list.rows.length === 0) return <Quiet>Nothing in this tray.</Quiet>;
  return (
    <Roomy
      label="Left out"
      columns={["Why", "URL", "Answers", "Links in", "Clicks", "Words", "The index", "Class", "What to do"]}
    >
      {list.rows.map((row) => (
        <tr key={row.url_id}>
          <td>
            {row.reasons.map((reason) => (
              <div key={reason}>{reason}</div>
            ))}
            {row.target && (
              <Quiet small>
                to <SiteUrl url={row.target} size={12} />
              </Quiet>
            )}
          </td>
          <td>
            <OpenUrl id={row.url_id} url={row.url} />
          </td>
          <td>{row.status ?? "–"}</td>
          <td>{count(row.links_in)}</td>
          <td>{row.clicks === null ? "–" : count(row.clicks)}</td>
          <td>{row.words == null ? "–" : count(row.words)}</td>
          <td>{STANDINGS[row.standing]}</td>
          <td>
            <Select
              size="small"
              variant="standard"
              value={row.class ?? ""}
              inputProps={{ "aria-label": `Class of ${row.url}` }}
              disabled={row.accepted_by !== null}
              onChange={(event) => put(row, event.target.value as Row["class"])}
              sx={{ fontSize: 12.5, maxWidth: 150 }}
            >
              {list.trays
                .filter((tray) => tray.class !== null)
                .map((tray) => (
                  <MenuItem key={tray.class} value={tray.class ?? ""}>
                    {tray.label}
                  </MenuItem>
                ))}
            </Select>
          </td>
          <td>
            {row.accepted_by ? (
              <Quiet small>done by {row.accepted_by}</Quiet>
            ) : (
              <Button size="small" variant="outlined" onClick={() => accept(row)} sx={{ whiteSpace: "nowrap" }}>
                {ACTS[row.action ?? "none"] ?? "Accept"}
              </Button>
            )}
          </td>
        </tr>
      ))}
    </Roomy>
  );
}
