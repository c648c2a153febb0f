import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { count } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { SiteUrl } from "../../../kit/SiteUrl";
import { STANDINGS } from "../../../kit/standings";
import { ClassChoice } from "./ClassChoice";
import type { LeftOut, LeftOutList } from "./useStanding";

const ACTS: Record<string, string> = {
  none: "Leave it",
  repoint: "Repoint links",
  route: "Redirect",
  server: "Mend the server",
  open: "Open it",
  close_off: "Keep it out",
  link_or_retire: "Link or retire",
  merge: "Merge",
  request: "Ask to fetch",
  strengthen: "Strengthen",
};

type Props = { list: LeftOutList; left: LeftOut };

/** The URLs of one class, the reason first, what can be done last. */
export function LeftOutRows({ list, left }: Props) {
  const { chosen, choose, put, accept } = left;
  if (list.rows.length === 0) return <Quiet>Nothing in this tray.</Quiet>;
  return (
    <Roomy
      label="Left out"
      columns={["", "Why", "URL", "Answers", "Links in", "Clicks", "Words", "The index", "Class", "What to do"]}
    >
      {list.rows.map((row) => (
        <tr key={row.url_id}>
          <td>
            <Checkbox
              size="small"
              sx={{ p: 0 }}
              disabled={row.accepted_by !== null}
              checked={chosen.includes(row.url_id)}
              onChange={(_, on) => choose([row.url_id], on)}
              slotProps={{ input: { "aria-label": `Choose ${row.url}` } }}
            />
          </td>
          <td>
            {row.reasons.map((reason) => (
              <div key={reason} style={{ overflowWrap: "anywhere" }}>
                {reason}
              </div>
            ))}
            {row.target && (
              <Quiet small>
                to <SiteUrl url={row.target} size={12} />
              </Quiet>
            )}
          </td>
          <td>
            <OpenUrl id={row.url_id} url={row.url} />
          </td>
          <td>{row.status ?? "–"}</td>
          <td>{count(row.links_in)}</td>
          <td>{row.clicks === null ? "–" : count(row.clicks)}</td>
          <td>{row.words == null ? "–" : count(row.words)}</td>
          <td>{STANDINGS[row.standing]}</td>
          <td>
            <ClassChoice
              list={list}
              label={`Class of ${row.url}`}
              value={row.class ?? ""}
              disabled={row.accepted_by !== null}
              choose={(to) => put.mutate({ urls: [row.url_id], to })}
            />
          </td>
          <td>
            {row.accepted_by ? (
              <Quiet small>done by {row.accepted_by}</Quiet>
            ) : (
              <Button
                size="small"
                variant="outlined"
                onClick={() => accept.mutate({ urls: [row.url_id] })}
                sx={{ whiteSpace: "nowrap" }}
              >
                {ACTS[row.action ?? "none"] ?? "Accept"}
              </Button>
            )}
          </td>
        </tr>
      ))}
    </Roomy>
  );
}
