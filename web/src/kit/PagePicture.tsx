import Box from "@mui/material/Box";

type Props = { picture: string; alt: string; label: string; maxHeight: number };

/** A page as a browser drew it, to be scrolled. */
export const PagePicture = ({ picture, alt, label, maxHeight }: Props) => (
  <Box
    sx={{ border: 1, borderColor: "divider", maxHeight, overflow: "auto" }}
    tabIndex={0}
    role="region"
    aria-label={label}
  >
    <img src={`data:image/webp;base64,${picture}`} alt={alt} style={{ width: "100%", display: "block" }} />
  </Box>
);
