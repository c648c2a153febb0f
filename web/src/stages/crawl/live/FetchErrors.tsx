import { Columns, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { clock } from "../../../kit/format";
import type { Schemas } from "../../../api/client";
import { Sign } from "../../../kit/signs/Sign";
import { SiteUrl } from "../../../kit/SiteUrl";

/** The newest answers that were none. */
export function FetchErrors({ errors }: { errors: Schemas["Live"]["errors"] }) {
  if (errors.length === 0) return <Quiet>None so far.</Quiet>;
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, maxHeight: 170, overflow: "auto" }} tabIndex={0}>
      {errors.map((one) => (
        <Columns
          component="li"
          key={`${one.at} ${one.url_id}`}
          title={one.detail ?? undefined}
          of="16px 76px minmax(0, 1fr) auto"
          gap={1}
          align="baseline"
        >
          <Box sx={{ alignSelf: "center", display: "flex" }}>
            <Sign state="stops" size={13} label="error" />
          </Box>
          <span>{one.error ?? one.status}</span>
          <SiteUrl url={one.url} size={12} />
          <Quiet component="span" small>
            {clock(one.at)}
          </Quiet>
        </Columns>
      ))}
    </Box>
  );
}
