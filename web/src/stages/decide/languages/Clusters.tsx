import { Apart, Clipped, Narrow, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import type { Crawl } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { count, counted } from "../../../kit/format";
import { FileLinks } from "../../../kit/FileLinks";
import type { LanguagesData } from "./types";
import { Matrix } from "./Matrix";
import { SetEditor } from "./SetEditor";
import { SmallMatrix } from "./SmallMatrix";
import { StillToAdd } from "./StillToAdd";
import { SiteUrl } from "../../../kit/SiteUrl";

/** In place of a set: one that is being made. */
const NEW = "new";

type Props = { site: number; crawl: Crawl; languages: LanguagesData };

/** Sets of pages that name each other, the most broken first; the one that is looked at as a matrix. */
export function Clusters({ site, crawl, languages }: Props) {
  const { search, change } = useAddress();
  const { clusters, total, whole, hosts } = languages;
  const making = search.get("set") === NEW || clusters.length === 0;
  const chosen = making ? undefined : (clusters.find((one) => one.first === search.get("set")) ?? clusters[0]);
  return (
    <Box sx={{ display: "grid", gridTemplateRows: "auto minmax(0, 1fr)", minHeight: 0 }}>
      <Box sx={{ display: "flex", px: 2.5, pb: 1, color: "text.secondary" }}>
        {clusters.length === 0
          ? "No page names another one for a language."
          : `${counted(total, "set")} on ${counted(hosts.length, "host")}, ${count(whole)} of them whole`}
        <Apart ml="auto">
          <FileLinks
            what="All sets, made whole:"
            files={[
              ["Head lines", "head"],
              ["Headers", "header"],
              ["Sitemap", "sitemap"],
              ["CSV", "csv"],
            ].map(([name, form]) => ({ name: name ?? "", href: `/api/crawls/${crawl.id}/languages/${form}` }))}
          />
        </Apart>
      </Box>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: "clamp(240px, 28vw, 360px) minmax(0, 1fr)",
          minHeight: 0,
          borderTop: 1,
          borderColor: "divider",
        }}
      >
        <Box
          component="ul"
          aria-label="Sets of languages"
          sx={{ listStyle: "none", m: 0, p: 0, overflow: "auto", borderRight: 1, borderColor: "divider" }}
        >
          <Box component="li" sx={{ borderBottom: 1, borderColor: "divider", px: 1, py: 0.5 }}>
            <Button aria-pressed={making} onClick={() => change({ set: NEW }, true)}>
              A new set …
            </Button>
          </Box>
          <StillToAdd crawl={crawl} languages={languages} />
          {clusters.map((one) => (
            <Box component="li" key={one.first} sx={{ borderBottom: 1, borderColor: "divider" }}>
              <ButtonBase
                onClick={() => change({ set: one.first }, true)}
                aria-pressed={one === chosen}
                sx={{
                  width: "100%",
                  display: "grid",
                  gridTemplateColumns: "52px minmax(0, 1fr)",
                  columnGap: 1.5,
                  textAlign: "left",
                  font: "inherit",
                  px: 2,
                  py: 1,
                  bgcolor: one === chosen ? "background.paper" : undefined,
                  borderLeft: 4,
                  borderColor: one === chosen ? "iron" : "transparent",
                }}
              >
                <SmallMatrix states={one.states} />
                <Narrow>
                  <Clipped>
                    <SiteUrl url={one.first} />
                  </Clipped>
                  <Box sx={{ display: "flex", gap: 1, fontSize: 12, color: "text.secondary" }}>
                    <span style={{ whiteSpace: "nowrap" }}>{counted(one.members.length, "page")}</span>
                    <Box component="strong" sx={{ ml: "auto", color: one.notes.length === 0 ? "verdigris" : "brass" }}>
                      {one.notes.length === 0 ? "whole" : one.notes.slice(0, 2).join(", ")}
                    </Box>
                  </Box>
                </Narrow>
              </ButtonBase>
            </Box>
          ))}
        </Box>
        {chosen ? (
          <Matrix key={chosen.first} site={site} crawl={crawl} first={chosen.first} />
        ) : (
          <Box sx={{ overflow: "auto", px: 2.5, py: 1.5, bgcolor: "background.paper" }}>
            <Quiet>Name the page of each language; each of them has to carry the same lines.</Quiet>
            <SetEditor site={site} crawl={crawl} pages={{}} decision={null} editing />
          </Box>
        )}
      </Box>
    </Box>
  );
}
