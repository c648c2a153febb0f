import Stack from "@mui/material/Stack";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Part } from "../../../kit/parts";
import { Quiet } from "../../../kit/pieces";
import type { Alerts, useAlerts } from "./useAlerts";

const LIMITS: Record<string, string> = {
  importance: "Pages of this importance and more",
  rung_percent: "Percent of wanted pages that stop at once",
  noindex_pages: "Pages that say noindex at once",
  hide_days: "Days before a hide ends",
};

/** Who hears of alerts, and from where on something is one. */
export function Receivers({ told, keep }: { told: Alerts; keep: ReturnType<typeof useAlerts>["keep"] }) {
  const [mails, setMails] = useState(told.settings.mails.join("\n"));
  const [webhook, setWebhook] = useState(told.settings.webhook);
  const [limits, setLimits] = useState(told.settings.limits);
  return (
    <Box
      sx={{
        px: 2,
        py: 1.5,
        borderLeft: 1,
        borderColor: "divider",
        overflow: "auto",
        display: "grid",
        gap: 2,
        alignContent: "start",
      }}
    >
      <Part title="Who hears of it" level="h2">
        <Stack spacing={1.5} sx={{ pt: 0.75 }}>
          <TextField
            multiline
            minRows={2}
            label="E-mail addresses"
            helperText="A line each"
            value={mails}
            onChange={(event) => setMails(event.target.value)}
          />
          <TextField
            label="Webhook"
            placeholder="https://…"
            value={webhook}
            onChange={(event) => setWebhook(event.target.value)}
          />
          {told.settings.secret && (
            <Quiet small>
              Signed by HMAC-SHA256 with <code>{told.settings.secret}</code>
            </Quiet>
          )}
        </Stack>
      </Part>
      <Part title="From where on" level="h2">
        <Stack spacing={1.5} sx={{ pt: 0.75 }}>
          {Object.entries(limits).map(([name, value]) => (
            <TextField
              key={name}
              type="number"
              label={LIMITS[name] ?? name}
              value={value}
              onChange={(event) => setLimits({ ...limits, [name]: Number(event.target.value) })}
            />
          ))}
        </Stack>
      </Part>
      {keep.error && <Alert severity="error">{keep.error.message}</Alert>}
      <Button
        variant="contained"
        disabled={keep.isPending}
        onClick={() => keep.mutate({ mails: mails.split(/\s+/).filter(Boolean), webhook, limits })}
      >
        Keep these
      </Button>
    </Box>
  );
}
