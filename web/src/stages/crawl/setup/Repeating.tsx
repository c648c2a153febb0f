import { Inline, Quiet, Wrong } from "../../../kit/pieces";
import Button from "@mui/material/Button";
import { ApiError } from "../../../api/client";
import { moment } from "../../../kit/format";
import { InColumns, Flag, Text, useForm } from "./form";
import { useNextTimes } from "./useNextTimes";

const USUAL: [string, string][] = [
  ["every day", "30 4 * * *"],
  ["every Monday", "30 4 * * mon"],
  ["on the first of the month", "30 4 1 * *"],
];

/** When the crawl starts by itself, with the next times it would. */
export function Repeating() {
  const { fields, set } = useForm();
  return (
    <>
      <Flag
        name="repeats"
        label="Crawl again on a timetable"
        help="A time that was missed is made up for once; while a crawl runs none is started."
      />
      {fields.repeats && (
        <>
          <Inline align="stretch">
            {USUAL.map(([words, cron]) => (
              <Button
                key={cron}
                variant={fields.cron === cron ? "contained" : "outlined"}
                onClick={() => set("cron", cron)}
              >
                {words}
              </Button>
            ))}
          </Inline>
          <InColumns>
            <Text name="cron" label="Cron line" help="Minute, hour, day, month, day of week." />
            <Text name="time_zone" label="Time zone" help="Such as Europe/Lisbon." />
          </InColumns>
          <NextTimes cron={fields.cron} timeZone={fields.time_zone} />
        </>
      )}
    </>
  );
}

function NextTimes({ cron, timeZone }: { cron: string; timeZone: string }) {
  const { next } = useNextTimes({ cron, timeZone });
  if (next.error instanceof ApiError) return <Wrong>{next.error.message}</Wrong>;
  return <Quiet>{next.data ? `Next: ${next.data.next.map((time) => moment(time)).join(" · ")}` : ""}</Quiet>;
}
