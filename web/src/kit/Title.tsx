import Box from "@mui/material/Box";

/** The title of a screen that shows none, for those who go from heading to heading. */
export function Title({ children }: { children: string }) {
  return (
    <Box
      component="h1"
      sx={{
        position: "absolute",
        width: "1px",
        height: "1px",
        m: "-1px",
        overflow: "hidden",
        clip: "rect(0 0 0 0)",
        whiteSpace: "nowrap",
      }}
    >
      {children}
    </Box>
  );
}
