import Box from "@mui/material/Box";
import type { Dossier } from "../../../api/client";
import { bytes, count, moment } from "../../../kit/format";
import { MONO } from "../../../theme";
import { Facts, Part, UrlLink } from "../../../kit/parts";
import { Apart } from "../../../kit/pieces";
import { SiteUrl } from "../../../kit/SiteUrl";

/** Why something wasn't fetched, as the end of a sentence. */
const UNFETCHED: Record<string, string> = {
  nofollow: ": only nofollow links lead here",
  deep: ": it lies deeper than the crawl went",
  kind: ": documents of this kind aren’t fetched",
  space: ": as many like it were fetched as the settings allow, or its addresses have no end",
  redirects: ": too many redirects lead here",
};

/** What the server answered, hop by hop, with its header lines. */
export function Response({ dossier }: { dossier: Dossier }) {
  const { url, facts, hops, header_lines } = dossier;
  if (!facts?.fetched_at)
    return <Part title="Response">It was not fetched in this crawl{UNFETCHED[url.unfetched ?? ""] ?? ""}.</Part>;
  return (
    <Part title="Response">
      <Facts
        rows={[
          ["Status", url.status ?? `none: ${facts.error_detail ?? url.error}`],
          ["Fetched", `${moment(facts.fetched_at)}, in ${count(url.response_ms ?? 0)} ms`],
          ["First byte", url.first_byte_ms == null ? "none" : `after ${count(url.first_byte_ms)} ms`],
          ["Type", [url.content_type, facts.charset].filter(Boolean).join(", ")],
          ["Size", url.bytes == null ? "" : bytes(url.bytes)],
        ]}
      />
      {hops.length > 0 && (
        <Apart component="ol" aria-label="Redirect hops" pl={2.5} my={1}>
          {hops.map((hop, at) => (
            <li key={`${at} ${hop.url}`}>
              <strong>{hop.status ?? "not fetched"}</strong>{" "}
              {at > 0 && hop.url_id ? <UrlLink id={hop.url_id} url={hop.url} /> : <SiteUrl url={hop.url} size={12} />}
            </li>
          ))}
        </Apart>
      )}
      {header_lines.length > 0 && (
        <Box
          component="pre"
          aria-label="Header lines"
          tabIndex={0}
          sx={{
            fontFamily: MONO,
            fontSize: 11.5,
            m: 0,
            mt: 1,
            p: 1,
            bgcolor: "background.default",
            overflow: "auto",
            maxHeight: 160,
          }}
        >
          {header_lines.map((line, at) => (
            <Box
              key={at}
              component="span"
              sx={{ display: "block", fontWeight: dossier.header_marks[at]?.length ? 700 : 400 }}
            >
              {line}
            </Box>
          ))}
        </Box>
      )}
    </Part>
  );
}
