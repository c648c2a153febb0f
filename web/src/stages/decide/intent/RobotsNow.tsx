import { Apart, Quiet } from "../../../kit/pieces";
import Button from "@mui/material/Button";
import { type Crawl } from "../../../api/client";
import { moment } from "../../../kit/format";
import { WhyNot } from "../../../kit/WhyNot";
import { Changed, Difference } from "./RobotsChanges";
import { useRobotsNow } from "./useRobotsNow";

/** The file as it is now, read by itself in a second, beside what the crawl found. */
export function RobotsNow({ crawl, origin, use }: { crawl: Crawl; origin: string; use: (text: string) => void }) {
  const { again, now } = useRobotsNow({ crawl, origin });
  return (
    <Apart mb={1.5}>
      <Button variant="outlined" onClick={() => again.mutate()} disabled={again.isPending}>
        {again.isPending ? "Reading …" : "Read it again now"}
      </Button>
      <WhyNot error={again.error} />
      {now && !again.isPending && (
        <Apart role="status" mt={1}>
          <strong>
            {now.error ? `No answer (${now.error})` : `Status ${now.status}`}
            {now.same ? ", the same as the crawl found" : ", otherwise than the crawl found"}
          </strong>{" "}
          <Quiet component="span" small>
            {moment(now.at)}
          </Quiet>
          {!now.same && (
            <>
              <Changed what="are blocked now" change={now.shut} />
              <Changed what="are allowed now" change={now.freed} />
              <Difference difference={now.difference} />
              {now.text !== null && <Button onClick={() => use(now.text ?? "")}>Begin with this file</Button>}
            </>
          )}
        </Apart>
      )}
    </Apart>
  );
}
