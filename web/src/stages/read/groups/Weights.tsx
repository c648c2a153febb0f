import { Figure } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { share } from "../../../kit/format";
import { withValue } from "./Limits";

type Values = Record<string, number>;

const PARTS: Record<string, string> = {
  authority: "Authority: links to it, from pages that matter",
  nearness: "Nearness to the start",
  sitemap: "Listed in a sitemap",
  clicks: "Clicks from search (no evidence yet)",
  impressions: "Impressions in search (no evidence yet)",
};

/**
 * How much each part counts for the importance of a page; what there is no evidence for leaves its weight to the
 * others.
 */
export function Weights({
  usual,
  values,
  change,
}: {
  usual: Values;
  values: Values;
  change: (values: Values) => void;
}) {
  const weights = { ...usual, ...values };
  const known = ["authority", "nearness", "sitemap"];
  const whole = known.reduce((sum, part) => sum + (weights[part] ?? 0), 0);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) 70px 70px",
        columnGap: 2,
        rowGap: 0.25,
        alignItems: "center",
      }}
    >
      {Object.entries(PARTS).map(([part, meaning]) => (
        <Box key={part} sx={{ display: "contents" }}>
          <Box sx={{ color: values[part] === undefined ? "text.secondary" : "text.primary" }}>{meaning}</Box>
          <TextField
            type="number"
            size="small"
            variant="standard"
            value={values[part] ?? ""}
            placeholder={String(usual[part] ?? 0)}
            onChange={(event) => change(withValue(values, part, event.target.value))}
            slotProps={{
              htmlInput: { "aria-label": meaning, min: 0, max: 1, step: 0.05, style: { textAlign: "right" } },
            }}
          />
          <Figure>{known.includes(part) && whole > 0 ? share((weights[part] ?? 0) / whole) : ""}</Figure>
        </Box>
      ))}
    </Box>
  );
}
