import { Quiet } from "../../../kit/pieces";
import { LineChart } from "@mui/x-charts/LineChart";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";

const clock = new Intl.DateTimeFormat(undefined, { timeStyle: "medium" });

/** Pages a second over the time of the crawl. */
export function Speed({ speed }: { speed: Schemas["Live"]["speed"] }) {
  const [first, second] = speed;
  if (!first || !second) return <Quiet>Too short to draw.</Quiet>;
  // A step is drawn to its end, the last one too.
  const step = Date.parse(second.at) - Date.parse(first.at);
  const times = speed.map((one) => new Date(one.at));
  const drawn = [...speed.map((one) => one.per_second), speed[speed.length - 1]?.per_second ?? 0];
  return (
    <LineChart
      height={150}
      skipAnimation
      hideLegend
      margin={{ left: 0, right: 40, top: 8, bottom: 0 }}
      xAxis={[
        {
          data: [...times, new Date(Date.parse(first.at) + speed.length * step)],
          scaleType: "time",
          valueFormatter: (value: Date) => clock.format(value),
          tickNumber: 4,
        },
      ]}
      yAxis={[{ min: 0, tickNumber: 4, width: 40 }]}
      series={[
        {
          data: drawn,
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
