import Box from "@mui/material/Box";
import { Fragment } from "react";
import { counted } from "../../../kit/format";
import { OpenUrl } from "../../../kit/OpenUrl";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { UrlText } from "../../../kit/UrlText";
import type { MissingLinks } from "../../../kit/useMissingLinks";

const COLUMNS = ["Page with the link", "Words of the link", "Leads to", "What stood there", "Whom to write to"];

/** Links out that lead nowhere any more, by the host that is lost. */
export function LostHosts({ lost }: { lost: MissingLinks["lost"] }) {
  if (lost.length === 0)
    return (
      <Quiet>
        No link out is known to be broken. A crawl that checks links to other hosts tells, under Crawl, Setup.
      </Quiet>
    );
  return (
    <Roomy label="Links to lost hosts" columns={COLUMNS}>
      {lost.map((host) => (
        <Fragment key={host.host}>
          <tr>
            <Box component="th" colSpan={COLUMNS.length} scope="rowgroup" sx={{ "&&": { pt: 1.5, fontSize: 13.5 } }}>
              <Box component="strong" sx={{ color: "text.primary", mr: 1 }}>
                {host.host}
              </Box>
              {counted(host.links.length, "link leads", "links lead")} there
            </Box>
          </tr>
          {host.links.map((one) => (
            <tr key={`${one.page} ${one.target}`}>
              <td>
                <OpenUrl id={one.page_id} url={one.page} />
              </td>
              <td>{one.anchor ?? "–"}</td>
              <td>
                <UrlText url={one.target} withHost />
              </td>
              <td>{one.stood_there ?? "not known"}</td>
              <td>{one.contact ?? "none on the page"}</td>
            </tr>
          ))}
        </Fragment>
      ))}
    </Roomy>
  );
}
