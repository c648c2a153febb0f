import { Quiet } from "../../../kit/pieces";
import type { ReactNode } from "react";
import type { Dossier } from "../../../api/client";
import { share } from "../../../kit/format";
import { Facts, Part } from "../../../kit/parts";

const NAMES: Record<string, string> = { authority: "Authority", nearness: "Nearness to the start", sitemap: "Sitemap" };

/** How much the page matters, and what that is made of. */
export function Importance({ dossier }: { dossier: Dossier }) {
  const { importance, authority } = dossier.url;
  const parts = dossier.importance_parts;
  if (importance == null || !parts) return null;
  return (
    <Part title={`Importance ${importance.toFixed(1)} of 100`}>
      <Facts
        rows={[
          ...Object.entries(NAMES).flatMap(([part, name]): [string, ReactNode][] => {
            const one = parts[part];
            return one ? [[name, <Standing key={part} part={part} standing={one.standing} weight={one.weight} />]] : [];
          }),
          ...(parts.key_page ? [["Key page", `never below ${parts.key_page.least}`] as [string, string]] : []),
          ...(authority == null ? [] : [["PageRank", `${share(authority)} of the site’s`] as [string, string]]),
        ]}
      />
    </Part>
  );
}

function Standing({ part, standing = 0, weight = 0 }: { part: string; standing?: number; weight?: number }) {
  const says =
    part === "sitemap" ? (standing > 0 ? "listed" : "not listed") : `above ${Math.round(standing * 100)}% of pages`;
  return (
    <>
      {says}
      <Quiet component="span">, counts {Math.round(weight * 100)}%</Quiet>
    </>
  );
}
