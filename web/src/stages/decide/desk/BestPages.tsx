import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../../api/client";
import { Apart, Inline, Columns, Quiet } from "../../../kit/pieces";

type Props = { told: Schemas["BestPages"]; own: string; chosen: string[]; add: (urls: string[]) => void };

/** The best pages for a phrase, to be chosen as rivals, and beside them what others pay for, as ideas. */
export function BestPages({ told, own, chosen, add }: Props) {
  const ours = (url: string) => new URL(url).host === new URL(own).host;
  const open = told.results.map((one) => one.url).filter((url) => !chosen.includes(url) && !ours(url));
  return (
    <Columns of="minmax(0, 2fr) minmax(0, 1fr)" gap={3} mb={1.5}>
      <Box>
        <Inline>
          <Quiet component="span">The best pages by {told.index}.</Quiet>
          <Button size="small" disabled={open.length === 0} onClick={() => add(open)}>
            Hold against all of other sites
          </Button>
        </Inline>
        {told.results.map((one) => (
          <Apart key={one.url} mb={0.5}>
            <Button
              size="small"
              sx={{ py: 0, px: 0.5, minWidth: 0 }}
              disabled={chosen.includes(one.url)}
              onClick={() => add([one.url])}
              aria-label={`Hold against ${one.url}`}
            >
              {chosen.includes(one.url) ? "Chosen" : "Choose"}
            </Button>{" "}
            {one.title}
            <Quiet component="span" small>
              {" "}
              {one.url}
              {ours(one.url) && ", of this site"}
            </Quiet>
          </Apart>
        ))}
        {told.results.length === 0 && <Quiet>It knows no page for it.</Quiet>}
      </Box>
      <Box>
        <Quiet>What others pay for, as ideas</Quiet>
        {told.paid.length === 0 && <Quiet small>Nothing.</Quiet>}
        {told.paid.map((one) => (
          <Apart key={one.url} mb={0.75}>
            <strong>{one.title}</strong>
            <div>{one.description}</div>
          </Apart>
        ))}
      </Box>
    </Columns>
  );
}
