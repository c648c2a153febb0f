import Box from "@mui/material/Box";
import type { Dossier } from "../../../api/client";
import { UrlText } from "../../../kit/UrlText";
import { Facts, Part, UrlLine } from "../../../kit/parts";

/** What tells crawlers what to do with the page, where each stands, and the result. */
export function Directives({ dossier }: { dossier: Dossier }) {
  const { url, facts } = dossier;
  const directives = facts?.directives ?? [];
  return (
    <Part title="Directives">
      <Facts
        rows={[
          [
            "robots.txt",
            url.robots_allowed == null
              ? "not known"
              : url.robots_allowed
                ? facts?.robots_rule
                  ? `allowed by line ${url.robots_line}: ${facts.robots_rule}`
                  : "allowed"
                : `line ${url.robots_line}: ${facts?.robots_rule}`,
          ],
          [
            "Robots tags",
            directives.length === 0
              ? "none"
              : directives.map((one, at) => (
                  <Box key={at}>
                    <code>{one.tokens.join(", ")}</code> in{" "}
                    {one.source === "meta" ? `meta, ${one.place}` : `X-Robots-Tag, header line ${one.line}`}
                    {one.agent ? ` for ${one.agent}` : ""}
                  </Box>
                )),
          ],
          ["Result", `${url.noindex ? "noindex" : "index"}, ${url.nofollow ? "nofollow" : "follow"}`],
          ["Canonical", url.canonical ? <UrlLine url={url.canonical} /> : (url.canonical_state ?? "none")],
          [
            "State",
            url.canonical_state
              ? `${url.canonical_state}${url.canonical_source ? `, from ${url.canonical_source}` : ""}`
              : "",
          ],
          [
            "hreflang",
            facts?.hreflang && facts.hreflang.length > 0
              ? facts.hreflang.map((one) => (
                  <Box key={`${one.code} ${one.url} ${one.source}`}>
                    <code>{one.code}</code> <UrlText url={one.url} withHost size={12} />
                  </Box>
                ))
              : "none",
          ],
        ]}
      />
    </Part>
  );
}
