import Alert from "@mui/material/Alert";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api } from "../../../api/client";
import { BringFile } from "../../../kit/BringFile";
import { count, counted } from "../../../kit/format";
import { Quiet } from "../../../kit/pieces";
import { BringRow } from "./BringRow";
import { useBrought, useSourceWork } from "./useEvidence";

/** "examplebot=192.0.2.0/24, otherbot=198.51.100.0/24" as ranges by crawler. */
export function ranges(text: string): Record<string, string[]> {
  const found: Record<string, string[]> = {};
  for (const part of text.split(/[\s,]+/)) {
    const [agent, range] = part.split("=");
    if (agent && range) (found[agent] ??= []).push(range);
  }
  return found;
}

/** Access logs: what search crawlers really fetched. */
export function BringLog({ site }: { site: number }) {
  const [verified, setVerified] = useState("");
  const brought = useBrought(site);
  const read = useSourceWork("log_import", (file: number) =>
    api.POST("/sites/{site}/evidence/logs", {
      params: { path: { site } },
      body: { file, verified: ranges(verified) },
    }),
  );
  const pending = brought.isPending || read.work.isPending;
  const told = read.work.data;
  return (
    <BringRow
      title="Access logs of the site"
      button={
        <BringFile
          label={pending ? `${count(read.progress ?? 0)} lines read …` : "Bring a log"}
          accept=".log,.txt,.gz"
          disabled={pending}
          read={(file) => brought.mutate(file, { onSuccess: (kept) => read.work.mutate(kept.file) })}
        />
      }
    >
      <Quiet>
        Tells what search crawlers fetched, and which pages they never came to. Common or Combined format, gzipped or
        not.
      </Quiet>
      <TextField
        size="small"
        label="Addresses of crawlers, if you know them"
        placeholder="examplebot=192.0.2.0/24"
        value={verified}
        onChange={(event) => setVerified(event.target.value)}
        sx={{ width: 380, mt: 1 }}
      />
      {told && (
        <Quiet role="status">
          {counted(told.rows, "line")}: {count(told.kept)} kept, {count(told.unchanged)} known already,{" "}
          {count(told.wrong_count)} that can’t be read.
        </Quiet>
      )}
      {(brought.error ?? read.work.error) && (
        <Alert severity="error">{(brought.error ?? read.work.error)?.message}</Alert>
      )}
    </BringRow>
  );
}
