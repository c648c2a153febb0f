import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** A bar under a form that is longer than the screen: what can be done with it, and what came of it. */
export function BottomBar({ children }: { children: ReactNode }) {
  return (
    <Box
      sx={{
        bgcolor: "background.paper",
        borderTop: 1,
        borderColor: "divider",
        px: 2.5,
        py: 1.25,
        display: "flex",
        gap: 1.5,
        alignItems: "center",
      }}
    >
      {children}
    </Box>
  );
}
