import Stack from "@mui/material/Stack";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { day } from "../../../kit/format";
import { Inline, Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { SiteUrl } from "../../../kit/SiteUrl";
import type { Requests, RequestsWork } from "./useRequests";

/** Pages that an index hides for a while, when that ends, and what lasting fix each waits for. */
export function Hides({ told, work }: { told: Requests; work: RequestsWork }) {
  const askable = told.indexes.filter((index) => index.by_interface);
  return (
    <Stack spacing={2}>
      {askable.length > 0 && <HideOne indexes={askable} work={work} />}
      {told.hides.length === 0 ? (
        <Quiet>Nothing is hidden.</Quiet>
      ) : (
        <Roomy
          label="Hidden pages"
          columns={["Page", "Index", "What", "Since", "Until", "Days left", "Lasting fix", ""]}
        >
          {told.hides.map((one) => (
            <tr key={`${one.index_id} ${one.url}`}>
              <td>
                <SiteUrl url={one.url} />
              </td>
              <td>{one.index}</td>
              <td>{one.only_copy ? "its stored copy" : "the page"}</td>
              <td>{day(one.asked_on)}</td>
              <td>{day(one.ends_on)}</td>
              <Box component="td" sx={{ color: one.soon ? "rust" : undefined, fontWeight: one.soon ? 600 : 400 }}>
                {one.days_left < 0 ? "over" : one.days_left}
              </Box>
              <td>{lasting(one)}</td>
              <td>
                {askable.some((index) => index.id === one.index_id) && (
                  <Button
                    size="low"
                    disabled={work.hide.isPending}
                    aria-label={`Show ${one.url} again`}
                    onClick={() => work.hide.mutate({ index: one.index_id, url: one.url, show: true })}
                  >
                    Show it again
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </Roomy>
      )}
    </Stack>
  );
}

function lasting(one: Requests["hides"][number]) {
  if (one.only_copy) return "needs none";
  return one.fix ? `${one.fix}, ${one.fix_state}` : "none: it comes back when the hide ends";
}

function HideOne({ indexes, work }: { indexes: Requests["indexes"]; work: RequestsWork }) {
  const [url, setUrl] = useState("");
  const [onlyCopy, setOnlyCopy] = useState(false);
  const [index, setIndex] = useState(indexes[0]?.id ?? 0);
  return (
    <Inline gap={1.5} pt={0.5}>
      <TextField
        label="A page to hide for 90 days"
        placeholder="https://…"
        value={url}
        onChange={(event) => setUrl(event.target.value)}
        sx={{ width: 420 }}
      />
      {indexes.length > 1 && (
        <TextField
          select
          label="Index"
          value={index}
          sx={{ width: 180 }}
          onChange={(event) => setIndex(Number(event.target.value))}
        >
          {indexes.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </TextField>
      )}
      <FormControlLabel
        control={<Checkbox checked={onlyCopy} onChange={(_, checked) => setOnlyCopy(checked)} />}
        label="Only clear its stored copy"
      />
      <Button
        variant="outlined"
        disabled={url.trim() === "" || work.hide.isPending}
        onClick={() =>
          work.hide.mutate(
            { index, url: url.trim(), show: false, only_copy: onlyCopy },
            { onSuccess: () => setUrl("") },
          )
        }
      >
        {work.hide.isPending ? "Asking …" : "Have it hidden"}
      </Button>
      <Quiet component="span">A hide passes; a redirect, a 410 or a noindex lasts.</Quiet>
    </Inline>
  );
}
