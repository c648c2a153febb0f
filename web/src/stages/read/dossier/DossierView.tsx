import Stack from "@mui/material/Stack";
import { Apart, Inline, Columns, Narrow, Quiet } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import { type Dossier } from "../../../api/client";
import { Detail } from "../../../kit/Detail";
import { counted, ruleSource } from "../../../kit/format";
import { Sign } from "../../../kit/signs/Sign";
import { UrlText } from "../../../kit/UrlText";
import { AsRead } from "./AsRead";
import { Content } from "./Content";
import { Data } from "./Data";
import { Decisions } from "./Decisions";
import { Directives } from "./Directives";
import { History } from "./History";
import { Importance } from "./Importance";
import { InIndex } from "./InIndex";
import { Ladder } from "./Ladder";
import { Links } from "./Links";
import { LiveAnswer } from "./LiveAnswer";
import { Facts, Part, UrlLine, UrlLink } from "../../../kit/parts";
import { Looks } from "./Looks";
import { Response } from "./Response";
import { Source } from "./Source";
import { useDossierView } from "./useDossierView";

type Props = { crawl: number; url: string; tools?: (address: string) => ReactNode };

/** Everything about one URL in one place. */
export function DossierView({ crawl, url, tools }: Props) {
  const { dossier } = useDossierView({ crawl, url });
  if (dossier.state !== "ready") return <Unready screen={dossier} />;
  const page = dossier.data;
  return (
    <Stack spacing={2.5} sx={{ px: 2.5, py: 2 }}>
      <Header dossier={page} tools={tools?.(page.url.url)} />
      {page.url.kind !== "external" && <Ladder dossier={page} />}
      <Columns of="minmax(0, 3fr) minmax(0, 2fr)" gap={3}>
        <Stack spacing={2.5}>
          <Faults dossier={page} />
          {page.url.kind !== "external" && <Decisions crawl={crawl} url={url} dossier={page} />}
          <Links crawl={crawl} url={page.url.url} direction="in" />
          <Links crawl={crawl} url={page.url.url} direction="out" />
          <History crawl={crawl} url={url} />
          <LiveAnswer key={url} crawl={crawl} url={url} dossier={page} />
        </Stack>
        <Stack spacing={2.5}>
          <Way dossier={page} />
          <Importance dossier={page} />
          <InIndex crawl={crawl} url={url} />
          <Response dossier={page} />
          <Directives dossier={page} />
          <Content dossier={page} />
          <Data dossier={page} />
        </Stack>
      </Columns>
      {page.url.kind === "html" && <AsRead key={`text ${url}`} crawl={crawl} url={url} />}
      {page.url.kind === "html" && <Looks key={`looks ${url}`} crawl={crawl} url={url} />}
      <Source key={url} crawl={crawl} url={url} />
    </Stack>
  );
}

function Header({ dossier, tools }: { dossier: Dossier; tools: ReactNode }) {
  const { url } = dossier;
  return (
    <Inline gap={2} align="start" between>
      <Narrow>
        <Typography component="h2" sx={{ overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
          <UrlText url={url.url} withHost size={16} />
        </Typography>
        <Typography color="textSecondary">
          {url.title ? `${url.title} · ` : ""}group <strong>{url.group}</strong> · <strong>{wanted(url)}</strong> ·{" "}
          <a href={url.url} target="_blank" rel="noreferrer noopener">
            open the page
          </a>
        </Typography>
      </Narrow>
      {tools}
    </Inline>
  );
}

/** Whether it should be indexed, and where that comes from. */
function wanted({ kind, wanted: should, intent, fulfilled }: Dossier["url"]) {
  if (kind === "external") return "of another site";
  if (fulfilled) return `done as decided: ${fulfilled}`;
  if (intent === "keep_out") return "should be kept out";
  if (should) return intent === "index" ? "should be indexed" : "should be indexed, as a sitemap lists it";
  return "not decided whether it should be indexed";
}

function Faults({ dossier }: { dossier: Dossier }) {
  return (
    <Part title="What is wrong">
      {dossier.faults.length === 0 && <Typography color="textSecondary">No rule found a fault on this URL.</Typography>}
      {dossier.faults.map((fault) => (
        <Apart key={`${fault.code} ${fault.about}`} mb={1.5}>
          <Inline>
            <Sign state={fault.grade} />
            <span>
              <strong>{fault.title}</strong>{" "}
              <Box component="span" sx={{ color: "text.secondary", fontSize: 12, whiteSpace: "nowrap" }}>
                {fault.code}
              </Box>
            </span>
          </Inline>
          <Apart pl={3}>
            {fault.details.length > 0 && (
              <Box sx={{ overflowWrap: "anywhere" }}>
                {fault.details.map((detail) => (
                  <Apart key={detail.name} component="span" mr={2}>
                    <Quiet component="span">{detail.name}:</Quiet> <Detail detail={detail} />
                  </Apart>
                ))}
              </Box>
            )}
            {fault.why} <em>{fault.fix}</em>
            <Quiet component="span" small>
              {" "}
              {ruleSource(fault.source)}
            </Quiet>
          </Apart>
        </Apart>
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
