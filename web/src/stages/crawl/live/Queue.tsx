import { Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";

/** How many URLs wait at each depth, as bars as long as their numbers. */
export function Queue({ queue }: { queue: Schemas["Live"]["queue"] }) {
  const most = Math.max(1, ...queue.map((one) => one.waiting));
  if (queue.length === 0) return <Quiet>Nothing waits.</Quiet>;
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: "grid",
        gridTemplateColumns: "28px 70px minmax(0, 1fr)",
        rowGap: 0.5,
        columnGap: 1,
        maxHeight: 170,
        overflow: "auto",
      }}
    >
      {queue.map((one) => (
        <Box key={one.depth} sx={{ display: "contents" }}>
          <Box component="dt" sx={{ textAlign: "right", color: "text.secondary" }}>
            {one.depth}
          </Box>
          <Box component="dd" sx={{ m: 0, textAlign: "right", fontWeight: 600 }}>
            {count(one.waiting)}
          </Box>
          <Box component="dd" aria-hidden sx={{ m: 0, alignSelf: "center" }}>
            <Box sx={{ height: 9, width: `${(100 * one.waiting) / most}%`, minWidth: 2, bgcolor: "moss" }} />
          </Box>
        </Box>
      ))}
    </Box>
  );
}
