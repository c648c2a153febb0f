import { Inline } from "../../../kit/pieces";
import { type Dossier } from "../../../api/client";
import { Decided } from "../../../kit/Decided";
import { DecideIntent } from "../../../kit/DecideIntent";
import { Part } from "../../../kit/parts";
import { decidedSince } from "./decidedSince";
import { useUrlDecisions } from "./useUrlDecisions";

const FROM: Record<string, string> = { url: "decided for itself", pattern: "by a pattern", group: "by its group" };
const INTENTS: Record<string, string> = {
  index: "It should be indexed",
  keep_out: "It should be kept out",
  undecided: "It isn’t decided whether it should be indexed",
};

/** Whether the page should be indexed and where that comes from; what was ever decided about it. */
export function Decisions({ crawl, url, dossier }: { crawl: number; url: string; dossier: Dossier }) {
  const { siteId, decisions } = useUrlDecisions({ crawl, url });
  const { intent, intent_of } = dossier.url;
  const newer = decidedSince(decisions.data?.decisions ?? [], dossier.url);
  return (
    <Part title="Decisions">
      <Inline align="baseline">
        <span>
          <strong>{INTENTS[newer?.intent ?? intent] ?? intent}</strong>
          {newer
            ? `, ${FROM[newer.of]}; pages are being judged by it`
            : intent_of && `, ${FROM[intent_of] ?? intent_of}`}
        </span>
        <DecideIntent site={siteId} urls={[dossier.url.url]} />
      </Inline>
      {decisions.error?.message}
      {decisions.data && <Decided site={siteId} decisions={decisions.data.decisions} />}
    </Part>
  );
}
