import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import type { Crawl } from "../../../api/client";
import { count, counted, day } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Apart, Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { SiteUrl } from "../../../kit/SiteUrl";
import { Unready } from "../../../kit/Unready";
import { useSentSitemaps } from "./useSentSitemaps";
import { NO_EVIDENCE } from "./useStanding";

/** Which sitemaps the index was sent, what it read in them and how much of that it kept; and which it wasn't sent. */
export function SentSitemaps({ site, crawl }: { site: number; crawl: Crawl }) {
  const { sent, rows, met, others, askable, send } = useSentSitemaps(site, crawl);
  if (sent.state !== "ready") return <Unready screen={sent} />;
  if (sent.data.indexes.length === 0) return <Unready screen={{ state: "empty", why: NO_EVIDENCE }} />;
  return (
    <Scroll component="section" aria-label="Sitemaps sent" tabIndex={0}>
      <Quiet>
        An index reads a sitemap again by itself. Sending it once more helps only after its structure, the domain or the
        addresses in it have changed.
      </Quiet>
      {send.error && <Alert severity="error">{send.error.message}</Alert>}
      {rows.length > 0 && (
        <Roomy
          label="Sitemaps sent"
          columns={["Sitemap", "Index", "State", "Sent", "Read", "Errors", "URLs listed", "Of these in the index", ""]}
        >
          {rows.map((row) => (
            <tr key={`${row.index.id} ${row.url}`}>
              <td>{row.url}</td>
              <td>{row.index.name}</td>
              <td>{row.state}</td>
              <td>{row.sent_on ? day(row.sent_on) : "–"}</td>
              <td>{row.read_on ? day(row.read_on) : "not yet"}</td>
              <td>{count(row.errors ?? 0)}</td>
              <td>{count(row.listed ?? 0)}</td>
              <td>{count(row.kept ?? 0)}</td>
              <td>
                {row.index.address && (
                  <Button
                    size="low"
                    disabled={send.isPending}
                    aria-label={`Withdraw ${row.url}`}
                    onClick={() => send.mutate({ index: row.index.id, url: row.url, withdraw: true })}
                  >
                    Withdraw
                  </Button>
                )}
              </td>
            </tr>
          ))}
        </Roomy>
      )}
      <Apart mt={2.5}>
        <Part title="Published, but not sent" level="h2">
          {others.length === 0 ? (
            <Quiet>{met ? "Every sitemap that the crawl met was sent." : "The crawl met no sitemap."}</Quiet>
          ) : (
            <Roomy label="Published, but not sent" columns={["Sitemap", "URLs listed", "Of these in their place", ""]}>
              {others.map((one) => (
                <tr key={one.url}>
                  <td>
                    <SiteUrl url={one.url} />
                  </td>
                  <td>{count(one.listed ?? 0)}</td>
                  <td>
                    {count(one.belonging ?? 0)}
                    <Quiet small>{worth(one.belonging ?? 0, one.listed ?? 0)}</Quiet>
                  </td>
                  <td>
                    {askable.map((index) => (
                      <Button
                        key={index.id}
                        size="low"
                        disabled={send.isPending}
                        aria-label={`Send ${one.url} to ${index.name}`}
                        onClick={() => send.mutate({ index: index.id, url: one.url, withdraw: false })}
                      >
                        Send to {index.name}
                      </Button>
                    ))}
                  </td>
                </tr>
              ))}
            </Roomy>
          )}
        </Part>
      </Apart>
    </Scroll>
  );
}

/** Only what lists original pages that should be indexed is worth being sent. */
function worth(belonging: number, listed: number) {
  if (listed === 0) return "lists other sitemaps, or nothing";
  if (belonging === 0) return "not worth sending: nothing in it should be indexed";
  const astray = listed - belonging;
  return astray === 0
    ? "worth sending: original pages that should be indexed"
    : `take ${counted(astray, "URL")} out first`;
}
