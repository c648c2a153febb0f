import Box from "@mui/material/Box";
import { count } from "../../../kit/format";
import type { FaultSum } from "./types";

const HEIGHT = 16;

/** How many URLs a rule found, crawl by crawl, and in words what changed since the one before. */
export function Trend({ trend }: { trend: FaultSum["trend"] }) {
  if (trend.length < 2) return <span />;
  const most = Math.max(...trend.map((one) => one.urls));
  return (
    <Box
      component="span"
      title={trend.map((one) => `Crawl ${one.crawl}: ${count(one.urls)}`).join("\n")}
      sx={{ display: "inline-flex", alignItems: "flex-end", justifyContent: "flex-end", gap: 1 }}
    >
      <Box component="span" aria-hidden sx={{ display: "inline-flex", alignItems: "flex-end", gap: "2px" }}>
        {trend.map((one) => (
          <Box
            key={one.crawl}
            component="span"
            sx={{
              display: "block",
              width: 5,
              height: Math.max((one.urls / most) * HEIGHT, 1),
              bgcolor: one === trend.at(-1) ? "iron" : "slate",
              opacity: one === trend.at(-1) ? 1 : 0.5,
            }}
          />
        ))}
      </Box>
      <Box component="span" sx={{ fontSize: 12, color: "text.secondary", minWidth: 56, textAlign: "right" }}>
        {changed(trend)}
      </Box>
    </Box>
  );
}

function changed(trend: FaultSum["trend"]) {
  const [before, now] = trend.slice(-2);
  const difference = (now?.urls ?? 0) - (before?.urls ?? 0);
  if (difference === 0) return "as before";
  return difference > 0 ? `${count(difference)} more` : `${count(-difference)} fewer`;
}
