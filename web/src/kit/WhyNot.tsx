import Box from "@mui/material/Box";
import type { SxProps } from "@mui/material/styles";

/** Why something that was asked for wasn't done, beside where it was asked; nothing where it was. */
export function WhyNot({ error, sx }: { error: Error | null; sx?: SxProps }) {
  if (error === null) return null;
  return (
    <Box role="alert" sx={[{ color: "rust" }, ...(Array.isArray(sx) ? sx : [sx ?? {}])]}>
      {error.message}
    </Box>
  );
}
