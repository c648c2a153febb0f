import { Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { MONO } from "../../../theme";

/** The hosts that take longest to answer. */
export function Hosts({ hosts }: { hosts: Schemas["Live"]["hosts"] }) {
  if (hosts.length === 0) return <Quiet>None has answered yet.</Quiet>;
  return (
    <Box component="table" sx={{ width: "100%", borderCollapse: "collapse", "& td": { py: 0.25, pr: 1.5 } }}>
      <tbody>
        {hosts.map((host) => (
          <tr key={host.authority}>
            <Box component="td" sx={{ fontFamily: MONO, fontSize: 12, wordBreak: "break-all" }}>
              {host.authority}
            </Box>
            <Box component="td" sx={{ textAlign: "right", whiteSpace: "nowrap", fontWeight: 600 }}>
              {count(host.mean_ms)} ms
            </Box>
            <Box component="td" sx={{ textAlign: "right", whiteSpace: "nowrap", color: "text.secondary" }}>
              {counted(host.fetched, "answer")}
              {host.failed > 0 && `, ${count(host.failed)} failed`}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
