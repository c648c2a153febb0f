import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { count, counted, day } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, Quiet, Spacer } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { SiteUrl } from "../../../kit/SiteUrl";
import type { IndexQueue, Requests, RequestsWork } from "./useRequests";

/** By index the pages that it is to fetch again, day by day. */
export function FetchAgain({ told, work }: { told: Requests; work: RequestsWork }) {
  return (
    <Stack spacing={2.5} sx={{ pb: 3 }}>
      <ByHand work={work} />
      {work.ask.data && (
        <Alert severity={work.ask.data.refused > 0 ? "warning" : "success"} variant="outlined">
          {counted(work.ask.data.asked, "page")} asked for, {work.ask.data.refused} refused, {work.ask.data.skipped}{" "}
          passed over as the index came by itself.
        </Alert>
      )}
      {told.indexes.map((index) => (
        <OneIndex key={index.id} index={index} work={work} />
      ))}
    </Stack>
  );
}

function ByHand({ work }: { work: RequestsWork }) {
  const [url, setUrl] = useState("");
  const [linked, setLinked] = useState(false);
  return (
    <Inline gap={1.5}>
      <TextField
        label="A page to be fetched again"
        placeholder="https://…"
        value={url}
        onChange={(event) => setUrl(event.target.value)}
        sx={{ width: 420 }}
      />
      <FormControlLabel
        control={<Checkbox size="small" checked={linked} onChange={(_, on) => setLinked(on)} />}
        label="and what it links to directly"
      />
      <Button
        variant="outlined"
        disabled={url.trim() === "" || work.add.isPending}
        onClick={() => work.add.mutate({ urls: [url.trim()], linked }, { onSuccess: () => setUrl("") })}
      >
        Add
      </Button>
    </Inline>
  );
}

function OneIndex({ index, work }: { index: IndexQueue; work: RequestsWork }) {
  const left = Math.max(0, index.quota - index.used);
  const first = index.queue[0]?.day;
  return (
    <Part title={`${index.name}: ${counted(index.waiting, "page")}`} level="h2">
      <Inline mb={0.5}>
        <Quiet component="span">
          {index.used} of {index.quota} requests of today are used.
        </Quiet>
        <Spacer />
        {index.by_interface ? (
          <Button
            variant="contained"
            disabled={index.waiting === 0 || left === 0 || work.ask.isPending}
            onClick={() => work.ask.mutate(index.id)}
          >
            {work.ask.isPending ? "Asking …" : `Ask for ${Math.min(left, index.waiting)} today`}
          </Button>
        ) : (
          <Quiet component="span">Ask by hand, then tick what was asked for.</Quiet>
        )}
      </Inline>
      {index.queue.length === 0 ? (
        <Quiet>Nothing waits. Pages come here when all their fixes are proved, or by hand.</Quiet>
      ) : (
        <Roomy label={`Queue of ${index.name}`} columns={["Day", "Page", "Importance", "Why", ""]}>
          {index.queue.map((one) => (
            <tr key={one.id}>
              <td style={{ whiteSpace: "nowrap", fontWeight: one.day === first ? 600 : 400 }}>{day(one.day)}</td>
              <td>
                <SiteUrl url={one.url} />
              </td>
              <td>{one.importance.toFixed(1)}</td>
              <td>{one.why}</td>
              <td style={{ whiteSpace: "nowrap" }}>
                {!index.by_interface && (
                  <Button size="low" onClick={() => work.tick.mutate({ ids: [one.id], state: "asked" })}>
                    Asked
                  </Button>
                )}
                <Button
                  size="low"
                  aria-label={`Take ${one.url} out`}
                  onClick={() => work.tick.mutate({ ids: [one.id], state: "skipped" })}
                >
                  Take out
                </Button>
              </td>
            </tr>
          ))}
        </Roomy>
      )}
      {index.waiting > index.queue.length && <Quiet small>and {count(index.waiting - index.queue.length)} more</Quiet>}
    </Part>
  );
}
