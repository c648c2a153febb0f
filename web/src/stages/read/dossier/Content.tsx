import Box from "@mui/material/Box";
import type { Dossier } from "../../../api/client";
import { count, share } from "../../../kit/format";
import { Facts, Part, UrlLink } from "../../../kit/parts";

/** What the page says, and how much of it is its own. */
export function Content({ dossier }: { dossier: Dossier }) {
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
          [
            "Words",
            count(url.words) +
              (url.unique_share == null ? "" : `, ${share(url.unique_share)} of the main text unique on the site`),
          ],
          ["Copies", <Copies key="copies" dossier={dossier} />],
          ["Headings", <Outline key="headings" dossier={dossier} />],
          ["Phones", dossier.facts?.viewport ?? "no viewport"],
          ["Images", `${count(url.images ?? 0)}, ${count(url.images_without_alt ?? 0)} without alt text`],
        ]}
      />
    </Part>
  );
}

/** The main version of its copies, or the copies of which it is the main version. */
function Copies({ dossier: { cluster, url } }: { dossier: Dossier }) {
  if (!cluster) return <>none</>;
  return (
    <>
      {url.copy_of
        ? (url.similarity === 1 ? "a copy" : `a near copy (similarity ${url.similarity?.toFixed(2)})`) +
          "; main version: "
        : "the main version of "}
      {cluster.others.map((one) => (
        <Box key={one.url_id} sx={{ overflow: "hidden", textOverflow: "ellipsis" }}>
          <UrlLink id={one.url_id} url={one.url} />
        </Box>
      ))}
    </>
  );
}

/** The headings in order, each as far in as its level. */
function Outline({ dossier }: { dossier: Dossier }) {
  const outline = (dossier.facts?.outline ?? []) as [number, string][];
  if (outline.length === 0) return <>none</>;
  return outline.slice(0, 30).map(([level, text], at) => (
    <Box key={at} sx={{ pl: (level - 1) * 1.5, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>
      <Box component="span" sx={{ color: "text.secondary", fontSize: 11 }}>
        H{level}
      </Box>{" "}
      {text}
    </Box>
  ));
}
