import Box from "@mui/material/Box";
import type { Row } from "./useQueries";

type Word = NonNullable<Row["pages"]>[number]["words"][number];

const PARTS: Record<string, string> = { title: "title", headings: "headings", text: "text", alts: "alt texts" };

const told = (word: Word) =>
  Object.entries(PARTS)
    .map(([part, name]) => `${name}: ${word.counts[part] ?? 0}`)
    .join(", ");

/** The words of a query, filled where the page has them and hollow where not; where they stand is their title. */
export function Words({ words }: { words: Word[] }) {
  return (
    <Box component="span" sx={{ display: "inline-flex", gap: 0.5, flexWrap: "wrap" }}>
      {words.map((word) => {
        const has = Object.values(word.counts).some((times) => times > 0);
        return (
          <Box
            component="span"
            key={word.word}
            title={told(word)}
            sx={{
              position: "relative",
              px: 0.75,
              fontSize: 12,
              borderRadius: 0.5,
              border: 1,
              borderStyle: has ? "solid" : "dashed",
              borderColor: has ? "verdigris" : "rust",
              bgcolor: has ? "verdigris" : "transparent",
              color: has ? "background.paper" : "rust",
            }}
          >
            {word.word}
            {!has && (
              <Box component="span" sx={{ position: "absolute", clip: "rect(0 0 0 0)" }}>
                {" "}
                is missing
              </Box>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
