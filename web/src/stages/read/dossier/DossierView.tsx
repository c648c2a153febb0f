import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, data, type Dossier } from "../../../api/client";
import { bytes, count, counted, moment, ruleSource } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { Sign } from "../../../kit/signs/Sign";
import { UrlText } from "../../../kit/UrlText";
import { MONO } from "../../../theme";
import { Importance } from "./Importance";
import { Ladder } from "./Ladder";
import { Links } from "./Links";
import { Facts, Part, UrlLink } from "./parts";

type Props = { crawl: number; url: string; tools?: (address: string) => ReactNode };

/** Everything about one URL in one place. */
export function DossierView({ crawl, url, tools }: Props) {
  const dossier = useQuery({
    queryKey: ["dossier", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}", { params: { path: { crawl, url } } })),
  });
  if (dossier.error) return <Failed error={dossier.error} retry={() => dossier.refetch()} />;
  if (!dossier.data) return <Loading what="the dossier" />;
  const page = dossier.data;
  return (
    <Box sx={{ px: 2.5, py: 2, display: "grid", gap: 2.5, gridTemplateColumns: "minmax(0, 1fr)" }}>
      <Header dossier={page} tools={tools?.(page.url.url)} />
      <Ladder dossier={page} />
      <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 3fr) minmax(0, 2fr)", gap: 3 }}>
        <Box sx={{ display: "grid", gap: 2.5, alignContent: "start", gridTemplateColumns: "minmax(0, 1fr)" }}>
          <Faults dossier={page} />
          <Links crawl={crawl} url={url} direction="in" />
          <Links crawl={crawl} url={url} direction="out" />
        </Box>
        <Box sx={{ display: "grid", gap: 2.5, alignContent: "start", gridTemplateColumns: "minmax(0, 1fr)" }}>
          <Way dossier={page} />
          <Importance dossier={page} />
          <Response dossier={page} />
          <Directives dossier={page} />
          <Content dossier={page} />
        </Box>
      </Box>
    </Box>
  );
}

function Header({ dossier, tools }: { dossier: Dossier; tools: ReactNode }) {
  const { url } = dossier;
  return (
    <Box sx={{ display: "flex", gap: 2, justifyContent: "space-between", alignItems: "start" }}>
      <Box sx={{ minWidth: 0 }}>
        <Typography component="h2" sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
          <UrlText url={url.url} withHost size={16} />
        </Typography>
        <Typography sx={{ color: "text.secondary" }}>
          {url.title ? `${url.title} · ` : ""}group <strong>{url.group}</strong> · intent{" "}
          <strong>{url.intent.replace("_", " ")}</strong>
          {url.wanted ? " · wanted" : ""} ·{" "}
          <a href={url.url} target="_blank" rel="noreferrer noopener">
            open the page
          </a>
        </Typography>
      </Box>
      {tools}
    </Box>
  );
}

function Faults({ dossier }: { dossier: Dossier }) {
  return (
    <Part title="What is wrong">
      {dossier.faults.length === 0 && (
        <Typography sx={{ color: "text.secondary" }}>No rule found a fault on this URL.</Typography>
      )}
      {dossier.faults.map((fault) => (
        <Box key={`${fault.code} ${fault.about}`} sx={{ mb: 1.5 }}>
          <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
            <Sign state={fault.grade} />
            <strong style={{ whiteSpace: "nowrap" }}>{fault.code}</strong>
            {fault.about && (
              <Box
                component="span"
                sx={{
                  fontFamily: MONO,
                  fontSize: 12,
                  overflow: "hidden",
                  textOverflow: "ellipsis",
                  whiteSpace: "nowrap",
                }}
                title={fault.about}
              >
                {fault.about}
              </Box>
            )}
          </Box>
          <Box sx={{ pl: 3 }}>
            {fault.why} <em>{fault.fix}</em>
            <Box component="span" sx={{ color: "text.secondary", fontSize: 12 }}>
              {" "}
              {ruleSource(fault.source)}
            </Box>
          </Box>
        </Box>
      ))}
    </Part>
  );
}

function Way({ dossier }: { dossier: Dossier }) {
  const { url, clicks } = dossier;
  return (
    <Part title="How it is reached">
      <Facts
        rows={[
          [
            "Shortest way",
            clicks.length > 0
              ? clicks.map((step, at) => <Step key={step.url_id} step={step} last={at === clicks.length - 1} />)
              : "no followed link path from a start URL",
          ],
          ["Clicks", url.depth ?? "none"],
          ["Links in", counted(url.links_in, "page")],
          ["Found by", url.found_by.join(", ") || "nothing"],
          [
            "Sitemaps",
            url.in_sitemaps.length > 0 ? url.in_sitemaps.map((one) => <UrlLine key={one} url={one} />) : "none",
          ],
        ]}
      />
    </Part>
  );
}

function Step({ step, last }: { step: { url: string; url_id: string }; last: boolean }) {
  return (
    <Box sx={{ overflow: "hidden", textOverflow: "ellipsis" }}>
      {last ? "› here" : <UrlLink id={step.url_id} url={step.url} />}
    </Box>
  );
}

const UrlLine = ({ url }: { url: string }) => (
  <Box sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
    <UrlText url={url} size={12} />
  </Box>
);

/** Why something was left out, as the end of a sentence. */
const UNFETCHED: Record<string, string> = {
  nofollow: ": only nofollow links lead here",
  deep: ": it lies deeper than the crawl went",
  kind: ": documents of this kind were not wanted",
  space: ": as many of its kind were fetched as were wanted, or it belongs to a space without end",
  redirects: ": too many redirects lead here",
};

function Response({ dossier }: { dossier: Dossier }) {
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
        <Box component="ol" aria-label="Redirect hops" sx={{ pl: 2.5, my: 1 }}>
          {hops.map((hop, at) => (
            <li key={`${at} ${hop.url}`}>
              <strong>{hop.status ?? "not fetched"}</strong>{" "}
              {at > 0 && hop.url_id ? <UrlLink id={hop.url_id} url={hop.url} /> : <UrlText url={hop.url} size={12} />}
            </li>
          ))}
        </Box>
      )}
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
        {header_lines.join("\n")}
      </Box>
    </Part>
  );
}

function Directives({ dossier }: { dossier: Dossier }) {
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
          ["Comes to", `${url.noindex ? "noindex" : "index"}, ${url.nofollow ? "nofollow" : "follow"}`],
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

function Content({ dossier }: { dossier: Dossier }) {
  const { url } = dossier;
  if (url.kind !== "html" || url.words == null) return null;
  return (
    <Part title="Content">
      <Facts
        rows={[
          ["Title", url.title ? `${url.title} (${url.title_chars})` : "none"],
          ["Description", url.description ? `${url.description} (${url.description_chars})` : "none"],
          ["H1", url.h1?.join(" · ") || "none"],
          ["Language", url.lang ?? "none"],
          ["Words", count(url.words)],
          ["Images", `${count(url.images ?? 0)}, ${count(url.images_without_alt ?? 0)} without alt text`],
        ]}
      />
    </Part>
  );
}
