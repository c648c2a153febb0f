import { TotalsBar } from "../../../kit/TotalsBar";
import { Inline, Spacer } from "../../../kit/pieces";
import type { ReactNode } from "react";
import type { Schemas } from "../../../api/client";
import { count } from "../../../kit/format";

/** What the rows that are shown come to, and what can be done with those that were picked. */
export function Footer({ totals, children }: { totals: Schemas["Totals"] | undefined; children: ReactNode }) {
  return (
    <TotalsBar>
      {totals && (
        <>
          <span>
            <strong>{count(totals.urls)}</strong> {totals.urls === totals.of ? "URLs" : `of ${count(totals.of)} URLs`}
          </span>
          <span>
            should be indexed <strong>{count(totals.wanted)}</strong>
          </span>
          <span>
            indexable <strong>{count(totals.indexable)}</strong>
          </span>
          <span>
            with faults <strong>{count(totals.with_faults)}</strong>
          </span>
          {totals.median_words !== null && (
            <span>
              median words <strong>{count(totals.median_words)}</strong>
            </span>
          )}
        </>
      )}
      <Spacer />
      <Inline my={-0.5}>{children}</Inline>
    </TotalsBar>
  );
}
