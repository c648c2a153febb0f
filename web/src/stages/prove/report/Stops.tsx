import Box from "@mui/material/Box";
import { Fragment } from "react";
import { count } from "../../../kit/format";
import { Apart, Quiet } from "../../../kit/pieces";
import { causeOf } from "../../../kit/rungs";
import type { Report } from "./useReport";

const WIDTH = 420;

/** Where pages stop that should be in the index, then above and now below. */
export function Stops({ stops }: { stops: Report["stops"] }) {
  const rows = stops as [string, number, number][];
  const most = Math.max(1, ...rows.flatMap(([, then, now]) => [then, now]));
  return (
    <Apart component="figure" m={0}>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "190px minmax(0, 1fr)",
          columnGap: 1.5,
          rowGap: 0.75,
          alignItems: "center",
        }}
      >
        {rows.map(([rung, then, now]) => (
          <Fragment key={rung}>
            <Box sx={{ textAlign: "right" }}>{causeOf(rung)}</Box>
            <Box sx={{ borderLeft: 3, borderColor: "iron", display: "flex", gap: 1, alignItems: "center" }}>
              <div>
                <Box sx={{ height: 8, width: (WIDTH * then) / most, bgcolor: "slate", opacity: 0.45 }} />
                <Box sx={{ height: 8, width: (WIDTH * now) / most, bgcolor: "verdigris", mt: "2px" }} />
              </div>
              {count(then)} → {count(now)}
            </Box>
          </Fragment>
        ))}
      </Box>
      <Quiet component="figcaption" small>
        Pages that should be in the index and stop on the way, by what stops them: then above, now below.
      </Quiet>
    </Apart>
  );
}
