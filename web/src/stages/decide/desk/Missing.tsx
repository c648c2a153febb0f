import Box from "@mui/material/Box";
import { Part } from "../../../kit/parts";
import { Quiet } from "../../../kit/pieces";
import type { Sheet } from "./useDeskPage";

/** What rivals and queries say and this page doesn't. */
export function Missing({ sheet }: { sheet: Sheet }) {
  return (
    <Part title="What is missing" level="h2">
      {sheet.suggestions.length === 0 && (
        <Quiet>
          {sheet.rivals.some((one) => one.title)
            ? "Nothing that at least half of the rivals say."
            : "Choose rivals below and fetch them; what at least half of them say and this page doesn’t stands here."}
        </Quiet>
      )}
      {sheet.suggestions.map((one) => (
        <Box key={one.text} sx={{ mb: 0.75, borderLeft: 3, borderColor: "heather", pl: 1 }}>
          <strong>{one.text}</strong>
          <Quiet small>{one.why}</Quiet>
        </Box>
      ))}
    </Part>
  );
}
