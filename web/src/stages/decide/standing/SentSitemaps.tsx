import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { count, day } from "../../../kit/format";
import { Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { asked } from "../../../kit/screen";
import { Unready } from "../../../kit/Unready";
import { NO_EVIDENCE } from "./useStanding";

/** Which sitemaps the index was sent, what it read in them and how much of that it kept. */
export function SentSitemaps({ site }: { site: number }) {
  const sources = useQuery({
    queryKey: ["sources", site],
    queryFn: () => data(api.GET("/sites/{site}/sources", { params: { path: { site } } })),
  });
  const screen = asked(sources, "the sitemaps");
  if (screen.state !== "ready") return <Unready screen={screen} />;
  const rows = screen.data.indexes.flatMap((index) => index.sitemaps.map((one) => ({ ...one, index: index.name })));
  if (rows.length === 0) return <Unready screen={{ state: "empty", why: NO_EVIDENCE }} />;
  return (
    <Scroll component="section" aria-label="Sitemaps sent" tabIndex={0}>
      <Quiet>
        An index reads a sitemap again by itself. Sending it once more helps only after its structure, the domain or the
        addresses in it have changed.
      </Quiet>
      <Roomy
        label="Sitemaps sent"
        columns={["Sitemap", "Index", "State", "Sent", "Read", "Errors", "URLs listed", "Of these in the index"]}
      >
        {rows.map((row) => (
          <tr key={`${row.index} ${row.url}`}>
            <td>{row.url}</td>
            <td>{row.index}</td>
            <td>{row.state}</td>
            <td>{row.sent_on ? day(row.sent_on) : "–"}</td>
            <td>{row.read_on ? day(row.read_on) : "not yet"}</td>
            <td>{count(row.errors ?? 0)}</td>
            <td>{count(row.listed ?? 0)}</td>
            <td>{count(row.kept ?? 0)}</td>
          </tr>
        ))}
      </Roomy>
    </Scroll>
  );
}
