import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** Under a table: what its rows come to. */
export const TotalsBar = ({ children }: { children: ReactNode }) => (
  <Box
    component="footer"
    aria-label="Totals"
    sx={{
      borderTop: 2,
      borderColor: "iron",
      bgcolor: "background.paper",
      px: 2.5,
      py: 1,
      display: "flex",
      flexWrap: "wrap",
      columnGap: 3,
      minHeight: 38,
    }}
  >
    {children}
  </Box>
);
