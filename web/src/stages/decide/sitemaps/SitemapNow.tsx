import { Apart, Quiet, Wrong } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import { type Schemas } from "../../../api/client";
import { bytes, count, counted, moment } from "../../../kit/format";
import { UrlLink } from "../../../kit/parts";
import { causeOf } from "../../../kit/rungs";
import { useSitemapNow } from "./useSitemapNow";
import { SiteUrl } from "../../../kit/SiteUrl";

const SHOWN = 20;

/** One sitemap file as it is now, read by itself in a second, beside what the crawl found. */
export function SitemapNow({ crawl, url }: { crawl: number; url: string }) {
  const { title, read } = useSitemapNow({ crawl, url });
  if (read.state !== "ready") return <Unready screen={read} />;
  const now = read.data;
  return (
    <Apart role="status" pb={1}>
      <strong>
        {now.error ? `No answer (${now.error}${now.status ? `, status ${now.status}` : ""})` : `Status ${now.status}`}
      </strong>
      , {now.kind === "index" ? counted(now.files.length, "file") : counted(now.entries, "URL")}
      {now.bytes !== null && `, ${bytes(now.bytes)}`}
      {now.kind !== "index" &&
        ` (${count(now.before)} when it was crawled); ${count(now.belonging)} of them belong here`}{" "}
      <Quiet component="span" small>
        {moment(now.at)}
      </Quiet>
      {now.flaws.map((flaw, at) => (
        <Wrong key={at}>
          {title(flaw.code)}
          {flaw.line !== null && `, line ${flaw.line}`}
          {flaw.about && `: ${flaw.about}`}
        </Wrong>
      ))}
      <Listed name="Listed since" urls={now.came} />
      <Listed name="No longer listed" urls={now.went} />
      <Listed name="Listed, and don’t belong here" urls={now.astray} />
    </Apart>
  );
}

function Listed({ name, urls }: { name: string; urls: Schemas["SitemapUrls"] }) {
  if (urls.total === 0) return null;
  return (
    <Apart mt={0.5}>
      {name}: <strong>{count(urls.total)}</strong>
      {urls.rows.slice(0, SHOWN).map((row) => (
        <Box key={row.url} sx={{ display: "flex", gap: 1, pl: 1.5, minWidth: 0 }}>
          {row.url_id === null ? <SiteUrl url={row.url} size={12} /> : <UrlLink id={row.url_id} url={row.url} />}
          <Quiet component="span" small>
            {row.url_id === null
              ? "not known to the crawl"
              : row.stop
                ? causeOf(row.stop)
                : row.intent === "keep_out"
                  ? "should be kept out"
                  : ""}
          </Quiet>
        </Box>
      ))}
      {urls.total > SHOWN && <Box sx={{ pl: 1.5, color: "text.secondary" }}>and {count(urls.total - SHOWN)} more</Box>}
    </Apart>
  );
}
