import Box from "@mui/material/Box";
import { LineChart } from "@mui/x-charts/LineChart";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";

const clock = new Intl.DateTimeFormat(undefined, { timeStyle: "medium" });

/** Pages a second over the time of the crawl. */
export function Speed({ speed }: { speed: Schemas["Live"]["speed"] }) {
  if (speed.length < 2) return <Box sx={{ color: "text.secondary" }}>Too short to draw.</Box>;
  return (
    <LineChart
      height={150}
      skipAnimation
      hideLegend
      margin={{ left: 0, right: 8, top: 8, bottom: 0 }}
      xAxis={[
        {
          data: speed.map((one) => new Date(one.at)),
          scaleType: "time",
          valueFormatter: (value: Date) => clock.format(value),
          tickNumber: 4,
        },
      ]}
      yAxis={[{ min: 0, tickNumber: 4, width: 40 }]}
      series={[
        {
          data: speed.map((one) => one.per_second),
          label: "pages a second",
          showMark: false,
          area: true,
          curve: "stepAfter",
          color: "var(--mui-palette-moss)",
          valueFormatter: (value) => (value === null ? "" : `${count(value)} a second`),
        },
      ]}
    />
  );
}
