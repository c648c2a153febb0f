import { Inline, Clipped, Narrow, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Schemas } from "../../../api/client";
import { Sign } from "../../../kit/signs/Sign";
import { type RouteValue, valueOf } from "../../../kit/decisions";
import { UrlText } from "../../../kit/UrlText";
import { MONO } from "../../../theme";
import type { Pick } from "./useBroken";

type Row = Schemas["Broken"]["rows"][number];

/** Where a lost address should lead: the best suggestion with its reasons, others, or one of the auditor's own. */
export function Target({ row, pick, choose }: { row: Row; pick: Pick; choose: (pick: Pick) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [own, setOwn] = useState<string | null>(null);
  if (row.decision) return <Settled value={valueOf(row.decision, "route")} />;
  if (row.suggestions === null) return <Quiet>is being looked for …</Quiet>;
  const shown = row.suggestions.find((one) => one.target === pick.to && one.status === pick.status);
  const take = (next: Pick) => {
    choose(next);
    setAnchor(null);
    setOwn(null);
  };
  return (
    <Narrow>
      {own === null ? (
        <ButtonBase
          onClick={(event) => setAnchor(event.currentTarget)}
          aria-haspopup="menu"
          sx={{ font: "inherit", display: "flex", gap: 1, maxWidth: "100%", justifyContent: "flex-start" }}
        >
          <Answer to={pick.to} status={pick.status} />
          <Quiet component="span" aria-hidden>
            ▾
          </Quiet>
        </ButtonBase>
      ) : (
        <Inline
          component="form"
          align="stretch"
          onSubmit={(event) => {
            event.preventDefault();
            take({ to: own.trim(), status: 301, why: "chosen by hand" });
          }}
        >
          <TextField
            variant="standard"
            autoFocus
            value={own}
            onChange={(event) => setOwn(event.target.value)}
            slotProps={{
              htmlInput: { "aria-label": `Own target of ${row.url}`, style: { fontFamily: MONO, fontSize: 12 } },
            }}
          />
          <Button type="submit" disabled={!/^https?:\/\/[^/]/.test(own.trim())}>
            Take
          </Button>
          <Button onClick={() => setOwn(null)}>Cancel</Button>
        </Inline>
      )}
      <Quiet small>{(shown?.reasons ?? [pick.why]).filter(Boolean).join("; ")}</Quiet>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {row.suggestions.map((one) => (
          <MenuItem
            key={`${one.status} ${one.target}`}
            onClick={() => take({ to: one.target, status: one.status, why: one.reasons[0] })}
            sx={{ display: "block", maxWidth: 620 }}
          >
            <Answer to={one.target} status={one.status} />
            <Quiet small>
              {one.score} of 100: {one.reasons.join("; ")}
            </Quiet>
          </MenuItem>
        ))}
        {row.suggestions.every((one) => one.target !== null) && (
          <MenuItem onClick={() => take({ to: null, status: 410, why: "gone on purpose" })}>
            <Answer to={null} status={410} />
          </MenuItem>
        )}
        <MenuItem
          onClick={() => {
            setAnchor(null);
            setOwn("");
          }}
        >
          Another target …
        </MenuItem>
      </Menu>
    </Narrow>
  );
}

/** What a server is to answer: a redirect with its target, or that the page is gone. */
export function Answer({ to, status }: { to: string | null; status: number }) {
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 1, alignItems: "center", minWidth: 0, maxWidth: "100%" }}>
      <Sign state={to === null ? "stops" : "diverts"} />
      <span>{status}</span>
      {to === null ? (
        <span>gone</span>
      ) : (
        <Clipped component="span">
          <UrlText url={to} size={12} withHost />
        </Clipped>
      )}
    </Box>
  );
}

function Settled({ value }: { value: RouteValue | null }) {
  if (value === null || value.refused) return <Quiet>left as it is{value?.why ? `: ${value.why}` : ""}</Quiet>;
  return <Answer to={value.to ?? null} status={value.status} />;
}
