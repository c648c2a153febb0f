import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Chip from "@mui/material/Chip";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api, data } from "../../../api/client";
import { count, counted, day, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Inline, PlainList, Quiet, Spacer } from "../../../kit/pieces";
import { type Index, type EvidenceData, useSourceChange, useSourceWork } from "./useEvidence";

/** The indexes that the site is judged by, with their interfaces. */
export function Indexes({ site, evidence }: { site: number; evidence: EvidenceData }) {
  const [adding, setAdding] = useState(false);
  return (
    <Part title="Indexes" level="h2">
      <PlainList aria-label="Indexes">
        {evidence.indexes.map((index) => (
          <OneIndex key={index.id} site={site} index={index} />
        ))}
      </PlainList>
      {adding || evidence.indexes.length === 0 ? (
        <AddIndex site={site} done={() => setAdding(false)} />
      ) : (
        <Button onClick={() => setAdding(true)}>Add another index</Button>
      )}
    </Part>
  );
}

function OneIndex({ site, index }: { site: number; index: Index }) {
  const path = { site, index: index.id };
  const pull = useSourceWork("evidence_pull", () =>
    api.POST("/sites/{site}/indexes/{index}/pull", { params: { path } }),
  );
  const test = useSourceWork("index_test", () => api.POST("/sites/{site}/indexes/{index}/test", { params: { path } }));
  const change = useSourceChange((input: { pull_days: number | null }) =>
    data(api.PUT("/sites/{site}/indexes/{index}", { params: { path }, body: { name: index.name, ...input } })),
  );
  const error = pull.work.error ?? test.work.error;
  return (
    <Box component="li" sx={{ py: 1, borderBottom: 1, borderColor: "divider" }}>
      <Inline gap={1.5} wrap>
        <strong>{index.name}</strong>
        {index.first && <Chip size="small" label="fills the ledger and the last rung" />}
        <Quiet component="span">
          {index.address ? index.address : "brought by files"} · {counted(index.quota, "request")} a day to fetch again
        </Quiet>
        <Spacer />
        {index.address && (
          <>
            <TextField
              select
              size="small"
              label="Asked by itself"
              value={index.pull_days ?? 0}
              onChange={(event) => change.mutate({ pull_days: Number(event.target.value) || null })}
              sx={{ width: 150 }}
            >
              <MenuItem value={0}>never</MenuItem>
              <MenuItem value={1}>every day</MenuItem>
              <MenuItem value={7}>every week</MenuItem>
              <MenuItem value={30}>every 30 days</MenuItem>
            </TextField>
            <Button onClick={() => test.work.mutate(undefined)} disabled={test.work.isPending}>
              Test
            </Button>
            <Button variant="outlined" onClick={() => pull.work.mutate(undefined)} disabled={pull.work.isPending}>
              {pull.work.isPending ? `Asking: ${count(pull.progress ?? 0)} rows …` : "Ask it now"}
            </Button>
          </>
        )}
      </Inline>
      <Evidence index={index} />
      <Ownership index={index} />
      {test.work.data && (
        <Alert severity="success" variant="outlined" sx={{ mt: 1 }}>
          It answers as {test.work.data.name}; its day is {day(test.work.data.today)}.
        </Alert>
      )}
      {(error ?? index.pull_error) && (
        <Alert severity="error" variant="outlined" sx={{ mt: 1 }}>
          {error?.message ?? index.pull_error}
        </Alert>
      )}
    </Box>
  );
}

const NAMES = { standings: "what it says of each URL", pages: "clicks by page", queries: "clicks by query" } as const;

function Evidence({ index }: { index: Index }) {
  return (
    <Quiet>
      {(Object.keys(NAMES) as (keyof typeof NAMES)[]).map((kind) => {
        const newest = index.evidence[kind];
        return (
          <span key={kind}>
            {NAMES[kind]}: {newest ? `up to ${day(newest.day)}${newest.whole ? "" : " (a sample)"}` : "none yet"}
            {kind !== "queries" && " · "}
          </span>
        );
      })}
      {index.pulled_at && ` · asked last ${moment(index.pulled_at)}`}
    </Quiet>
  );
}

/** Whether the index has seen that each host is ours: what it tells of others is incomplete. */
function Ownership({ index }: { index: Index }) {
  if (index.ownership.length === 0) return null;
  return (
    <Inline align="stretch" wrap mt={0.5}>
      {index.ownership.map((one) => (
        <Chip
          key={one.host}
          size="small"
          variant="outlined"
          sx={{ color: one.verified ? "verdigris" : "rust", borderColor: one.verified ? "verdigris" : "rust" }}
          label={
            one.verified
              ? `${one.host}: shown to be yours${one.seen_on ? `, last seen ${day(one.seen_on)}` : ""}`
              : `${one.host}: not shown to be yours${one.missing ? ` (${one.missing})` : ""}`
          }
        />
      ))}
    </Inline>
  );
}

function AddIndex({ site, done }: { site: number; done: () => void }) {
  const [name, setName] = useState("");
  const [address, setAddress] = useState("");
  const add = useSourceChange(async () => {
    await data(
      api.POST("/sites/{site}/indexes", {
        params: { path: { site } },
        body: { name, address: address.trim() || null },
      }),
    );
    done();
  });
  return (
    <Inline
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate(undefined);
      }}
      gap={1.5}
      align="start"
      wrap
      py={1}
    >
      <TextField
        size="small"
        label="Name of the index"
        value={name}
        onChange={(event) => setName(event.target.value)}
        required
      />
      <TextField
        size="small"
        label="Address of its interface"
        value={address}
        onChange={(event) => setAddress(event.target.value)}
        placeholder="none: its files are brought"
        sx={{ width: 320 }}
      />
      <Button type="submit" variant="outlined" disabled={add.isPending}>
        Add it
      </Button>
      {add.error && <Alert severity="error">{add.error.message}</Alert>}
    </Inline>
  );
}
