import { Apart, Inline, Clipped, Column, Mono, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { UrlText } from "../../../kit/UrlText";
import { MONO } from "../../../theme";
import type { LanguagesData } from "./types";

/** Where each language has its place, what is to be said of that, and annotations that no set has a use for. */
export function Layout({ languages }: { languages: LanguagesData }) {
  const { layout, alone } = languages;
  const most = Math.max(...Object.values(layout.places).flatMap((places) => Object.values(places)), 1);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 5fr) minmax(0, 6fr)",
        columnGap: 4,
        px: 2.5,
        overflow: "auto",
        alignContent: "start",
      }}
    >
      <Part level="h2" title="Where each language is">
        <Box component="dl" sx={{ display: "grid", gridTemplateColumns: "40px minmax(0, 1fr)", m: 0, rowGap: 1 }}>
          {Object.entries(layout.places).map(([language, places]) => (
            <Box key={language} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ fontFamily: MONO, fontWeight: 650 }}>
                {language}
              </Box>
              <Apart component="dd" m={0}>
                {Object.entries(places).map(([place, pages]) => (
                  <Apart key={place} mb={0.5}>
                    <Inline gap={0} align="stretch" between>
                      <Mono component="span" size={12}>
                        {place}
                      </Mono>
                      {counted(pages, "page")}
                    </Inline>
                    <Box
                      aria-hidden
                      sx={{ height: 5, width: `${Math.max(Math.sqrt(pages / most) * 100, 1)}%`, bgcolor: "moss" }}
                    />
                  </Apart>
                ))}
              </Apart>
            </Box>
          ))}
        </Box>
      </Part>
      <Column>
        <Part level="h2" title="Advice (common practice)">
          <Box component="ul" sx={{ m: 0, pl: 2.5, "& li": { mb: 1 } }}>
            {layout.advice.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </Box>
          {layout.advice.length === 0 && "Nothing: each language has a place of its own, laid out in one way."}
        </Part>
        {alone.length > 0 && (
          <Part
            level="h2"
            title={`${counted(alone.length, "page carries", "pages carry")} annotations that lead nowhere`}
          >
            <Quiet mb={0.5}>
              They belong to no set, or another page is their main version. Take their hreflang lines out.
            </Quiet>
            {alone.slice(0, 50).map((url) => (
              <Clipped key={url}>
                <UrlText url={url} size={12} withHost />
              </Clipped>
            ))}
          </Part>
        )}
      </Column>
    </Box>
  );
}
