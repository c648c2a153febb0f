import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import type { Schemas } from "../../../api/client";
import { count, counted, day } from "../../../kit/format";

/** What came of a file: what was kept, what wasn't and why. */
export function Result({ result, close }: { result: Schemas["ImportResult"]; close: () => void }) {
  const hosts = Object.entries(result.other_hosts);
  return (
    <Alert
      severity={result.wrong_count > 0 || hosts.length > 0 ? "warning" : "success"}
      variant="outlined"
      sx={{ mt: 1 }}
      action={<Button onClick={close}>Done</Button>}
    >
      {counted(result.rows, "row")} of {day(result.date)}: {count(result.kept)} new, {count(result.replaced)} corrected,{" "}
      {count(result.unchanged)} known already; {counted(result.not_crawled, "URL")} that no crawl has met. Taken as{" "}
      {result.whole ? "whole: what it leaves out isn’t known there" : "a sample: what it leaves out says nothing"}.
      {hosts.map(([host, rows]) => (
        <div key={host}>
          Evidence for another host: {host} has {counted(rows, "row")}. Is it of the other variant of your host?
        </div>
      ))}
      {result.wrong_count > 0 && (
        <details>
          <summary>{counted(result.wrong_count, "row")} could not be used</summary>
          {result.wrong.slice(0, 50).map((one) => (
            <div key={one.line}>
              line {one.line}: {one.why}
            </div>
          ))}
        </details>
      )}
    </Alert>
  );
}
