import { Apart, Inline, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type Dossier, type Schemas } from "../../../api/client";
import { Answered } from "../../../kit/Answered";
import { count } from "../../../kit/format";
import { UrlText } from "../../../kit/UrlText";
import { Facts, Part } from "../../../kit/parts";
import { useLiveAnswer } from "./useLiveAnswer";

type Answer = Schemas["LiveAnswer"];

/** Fetches the page now, as the crawler or as a browser, and lays the answer beside the stored one. */
export function LiveAnswer({ crawl, url, dossier }: { crawl: number; url: string; dossier: Dossier }) {
  const { live } = useLiveAnswer({ crawl, url });
  return (
    <Part title="Now, beside what was stored">
      <Inline align="stretch" mb={1}>
        <Button variant="outlined" size="small" disabled={live.isPending} onClick={() => live.mutate("crawler")}>
          Fetch as the crawler
        </Button>
        <Button variant="outlined" size="small" disabled={live.isPending} onClick={() => live.mutate("visitor")}>
          Fetch as a browser
        </Button>
      </Inline>
      {live.isPending && "Fetching …"}
      {live.error && <Box role="alert">{live.error.message}</Box>}
      {live.data && !live.isPending && (
        <Box role="status">
          {live.data.blocked ? (
            <>Not fetched: robots.txt says “{live.data.blocked}”. A browser may fetch it.</>
          ) : (
            <>
              <Compared answer={live.data} dossier={dossier} />
              <Apart mt={1}>
                <Answered answer={live.data} />
              </Apart>
            </>
          )}
        </Box>
      )}
    </Part>
  );
}

function Compared({ answer, dossier }: { answer: Answer; dossier: Dossier }) {
  const { url } = dossier;
  const first = answer.hops[0]?.status ?? null;
  const moved = answer.hops.length > 1;
  const rows: [string, string, string][] = [
    ["Status", String(first ?? answer.error ?? "none"), String(url.status ?? url.error ?? "none")],
    [
      "Leads to",
      moved ? `${answer.hops.at(-1)?.url} (${answer.hops.at(-1)?.status ?? "none"})` : "itself",
      url.redirect_to ?? "itself",
    ],
    ["Title", (moved ? null : answer.title) ?? "none", url.title ?? "none"],
    [
      "Words",
      moved || answer.words == null ? "none" : count(answer.words),
      url.words == null ? "none" : count(url.words),
    ],
    ["Directives", moved ? "none" : said(answer.noindex, answer.nofollow), said(url.noindex, url.nofollow)],
    ["Canonical", (moved ? null : answer.canonical) ?? "none", url.canonical ?? "none"],
  ];
  const changed = rows.filter(([, now, stored]) => now !== stored);
  return (
    <>
      <Apart mb={0.5}>
        {changed.length === 0 ? (
          "The same as was stored"
        ) : (
          <strong>Otherwise than stored: {changed.map(([name]) => name.toLowerCase()).join(", ")}</strong>
        )}
        , answered in {count(answer.response_ms ?? 0)} ms.
      </Apart>
      <Facts
        rows={changed.map(([name, now, stored]) => [
          name,
          <Box key={name}>
            <Value text={now} />
            <Quiet>
              was <Value text={stored} />
            </Quiet>
          </Box>,
        ])}
      />
    </>
  );
}

const said = (noindex: boolean | null | undefined, nofollow: boolean | null | undefined) =>
  noindex == null ? "none" : `${noindex ? "noindex" : "index"}, ${nofollow ? "nofollow" : "follow"}`;

const Value = ({ text }: { text: string }) =>
  /^https?:\/\//.test(text) ? <UrlText url={text} withHost size={12} /> : <>{text}</>;
