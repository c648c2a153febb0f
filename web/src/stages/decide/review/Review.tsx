import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import type { ComponentProps } from "react";
import type { Crawl } from "../../../api/client";
import { BringFile } from "../../../kit/BringFile";
import { ExportMenu } from "../../../kit/ExportMenu";
import { count, counted, share } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Apart, Inline, Quiet, Spacer, Whole } from "../../../kit/pieces";
import { Sign } from "../../../kit/signs/Sign";
import { Title } from "../../../kit/Title";
import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import { FateOf } from "./FateOf";
import { type Row, useReview, type Yardstick } from "./useReview";
import { told, Yardsticks } from "./Yardsticks";

const PAGE = 200;

/** The content audit: pages against yardsticks, the weakest first, and what becomes of each. */
export default function Review() {
  const crawl = useFinished("Pages are held against yardsticks once a crawl is finished.");
  return crawl.state === "ready" ? <ReviewOf crawl={crawl.data} /> : <Unready screen={crawl} />;
}

function ReviewOf({ crawl }: { crawl: Crawl }) {
  const { group, from, change, review, measure, bring, decide } = useReview(crawl);
  if (review.state !== "ready") return <Unready screen={review} />;
  const { yardsticks, groups, rows, total } = review.data;
  const error = measure.error ?? bring.error ?? decide.error;
  return (
    <Whole rows="auto auto minmax(0, 1fr)">
      <Title>Review</Title>
      <Inline gap={1.5} wrap px={2.5} py={1}>
        <TextField
          select
          size="small"
          label="Group"
          value={group ?? ""}
          onChange={(event) => change({ group: event.target.value || undefined, from: undefined }, true)}
          slotProps={{ select: { native: true }, inputLabel: { shrink: true } }}
          sx={{ width: 230 }}
        >
          <option value="">all groups</option>
          {groups.map((one) => (
            <option key={one.name} value={one.name}>
              {one.name} ({count(one.pages)})
            </option>
          ))}
        </TextField>
        <strong>{counted(total, "page")}</strong>
        <Quiet component="span">those that meet least come first</Quiet>
        <Spacer />
        {from > 0 && <Button onClick={() => change({ from: String(from - PAGE) })}>Back</Button>}
        {total > from + PAGE && <Button onClick={() => change({ from: String(from + PAGE) })}>Further</Button>}
        <BringFile label="Bring decisions back" accept=".csv" read={(file) => bring.mutate(file)} />
        <ExportMenu path={`crawls/${crawl.id}/review`} query={group === undefined ? {} : { group }} />
      </Inline>
      <Apart px={2.5}>
        <Yardsticks yardsticks={yardsticks} keep={(next) => measure.mutate(next)} />
        {error && <Alert severity="error">{error.message}</Alert>}
        {bring.data && (
          <Alert
            severity={bring.data.bad.length > 0 ? "warning" : "success"}
            variant="outlined"
            onClose={() => bring.reset()}
          >
            {counted(bring.data.ids.length, "decision")} taken over
            {bring.data.bad.map((one) => `; line ${one.line}: ${one.why}`)}
          </Alert>
        )}
      </Apart>
      <Table
        rows={rows}
        yardsticks={yardsticks}
        decide={(row, value, note) => decide.mutate({ kind: "review", wishes: { [row.url]: value }, note })}
      />
    </Whole>
  );
}

type TableProps = { rows: Row[]; yardsticks: Yardstick[]; decide: ComponentProps<typeof FateOf>["decide"] };

function Table({ rows, yardsticks, decide }: TableProps) {
  return (
    <Box sx={{ overflow: "auto", px: 2.5, position: "relative" }} tabIndex={0} role="region" aria-label="Pages">
      <Box
        component="table"
        sx={{
          width: "100%",
          borderCollapse: "collapse",
          "& th": {
            textAlign: "left",
            color: "text.secondary",
            fontWeight: 500,
            fontSize: 12,
            verticalAlign: "bottom",
          },
          "& th, & td": { px: 0.6, py: 0.4, borderBottom: 1, borderColor: "divider" },
        }}
      >
        <thead>
          <tr>
            <th>Page</th>
            <th>Meets</th>
            {yardsticks.map((one, place) => (
              <Box component="th" key={place} sx={{ maxWidth: 74 }}>
                {told(one)}
              </Box>
            ))}
            <th>Clicks</th>
            <th>Place</th>
            <th>Words</th>
            <th>Links in</th>
            <th>Last change</th>
            <th>What becomes of it</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.url_id}>
              <Box component="td" sx={{ maxWidth: 260 }}>
                <OpenUrl id={row.url_id} url={row.url} />
              </Box>
              <td>{row.score === null ? "–" : share(row.score)}</td>
              {row.met.map((met, place) => (
                <td key={place}>
                  <Sign
                    state={met === null ? "unknown" : met ? "passes" : "weakens"}
                    label={met === null ? "not known" : met ? "met" : "not met"}
                  />
                </td>
              ))}
              <td>{row.clicks === null ? "–" : count(row.clicks)}</td>
              <td>{row.position ?? "–"}</td>
              <td>{row.words === null ? "–" : count(row.words)}</td>
              <td>{count(row.links_in)}</td>
              <td>{row.last_change?.slice(0, 10) ?? "–"}</td>
              <td>
                <FateOf key={row.decision?.id ?? 0} row={row} decide={decide} />
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
