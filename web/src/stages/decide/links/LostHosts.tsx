import Box from "@mui/material/Box";
import { counted } from "../../../kit/format";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
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
    <>
      {lost.map((host) => (
        <Box component="section" key={host.host} aria-label={host.host} sx={{ mb: 2 }}>
          <strong>{host.host}</strong>
          <Quiet small>{counted(host.links.length, "link leads", "links lead")} there</Quiet>
          <Roomy label={`Links to ${host.host}`} columns={COLUMNS}>
            {host.links.map((one) => (
              <tr key={`${one.page} ${one.target}`}>
                <td style={{ overflowWrap: "anywhere" }}>{one.page}</td>
                <td>{one.anchor ?? "–"}</td>
                <td style={{ overflowWrap: "anywhere" }}>{one.target}</td>
                <td>{one.stood_there ?? "not known"}</td>
                <td>{one.contact ?? "none on the page"}</td>
              </tr>
            ))}
          </Roomy>
        </Box>
      ))}
    </>
  );
}
