import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** A button that reads like a link, within a text or a table. */
export function LinkButton({ act, children }: { act: () => void; children: ReactNode }) {
  return (
    <Box
      component="button"
      type="button"
      onClick={act}
      sx={{
        font: "inherit",
        color: "inherit",
        bgcolor: "transparent",
        border: 0,
        p: 0,
        cursor: "pointer",
        textAlign: "inherit",
        textDecoration: "underline",
        textDecorationThickness: 1,
        textUnderlineOffset: 3,
        maxWidth: "100%",
        overflow: "hidden",
        textOverflow: "ellipsis",
      }}
    >
      {children}
    </Box>
  );
}
