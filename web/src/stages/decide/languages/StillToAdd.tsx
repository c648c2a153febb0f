import Box from "@mui/material/Box";
import type { Crawl } from "../../../api/client";
import { counted } from "../../../kit/format";
import { FileLinks } from "../../../kit/FileLinks";
import type { LanguagesData } from "./types";

const fileOf = (crawl: number, form: string, host: string) =>
  `/api/crawls/${crawl}/languages/${form}?${new URLSearchParams({ missing: "true", host })}`;

/** What the pages of each host don't carry yet, as files for those who run it. */
export function StillToAdd({ crawl, languages }: { crawl: Crawl; languages: LanguagesData }) {
  if (languages.to_add.length === 0) return null;
  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: "divider", px: 2, py: 1 }}>
      <strong>Still to add</strong>
      {languages.to_add.map((one) => (
        <Box key={one.host} sx={{ fontSize: 12, mt: 0.5 }}>
          <Box sx={{ overflow: "hidden", textOverflow: "ellipsis" }}>{one.host}</Box>
          <FileLinks
            what={`${counted(one.lines, "line")} on ${counted(one.pages, "page")}:`}
            files={[
              ["Head lines", "head"],
              ["CSV", "csv"],
            ].map(([name, form]) => ({
              name: name ?? "",
              href: fileOf(crawl.id, form ?? "", one.host),
            }))}
          />
        </Box>
      ))}
    </Box>
  );
}
