import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { count, counted } from "../../../kit/format";
import { Inline, Quiet } from "../../../kit/pieces";
import { SiteUrl } from "../../../kit/SiteUrl";
import type { useIntent } from "./useIntent";
import { useVisited } from "./useVisited";

type Props = { group: string; visited: number; intent: ReturnType<typeof useIntent> };

/** Pages that bring visits stay when their group is kept out, unless each is ticked off. */
export function Visited({ group, visited, intent }: Props) {
  const { pages, stays, set } = useVisited(group, intent);
  return (
    <tr style={{ border: 0 }}>
      <Box component="td" className="left" colSpan={14} sx={{ "&&": { pt: 0 } }}>
        <strong>{counted(visited, "page")} of it bring visits.</strong> They stay, each as an exception, unless you tick
        them off:
        {pages.map((page) => (
          <Inline key={page.url_id}>
            <FormControlLabel
              control={<Checkbox size="small" checked={stays(page.url)} onChange={(_, on) => set(page.url, on)} />}
              label={<SiteUrl url={page.url} />}
            />
            <Quiet component="span">
              {counted(page.clicks ?? 0, "click")}, {count(page.impressions ?? 0)} impressions
            </Quiet>
          </Inline>
        ))}
        {visited > pages.length && pages.length > 0 && (
          <Quiet>and {count(visited - pages.length)} more, which stay</Quiet>
        )}
      </Box>
    </tr>
  );
}
