import Box from "@mui/material/Box";
import type { ReactNode } from "react";

type Props = { title: string; children: ReactNode; button: ReactNode };

/** One kind of file: what it is and what it is good for, with its button at the right. */
export function BringRow({ title, children, button }: Props) {
  return (
    <Box
      component="li"
      sx={{
        display: "grid",
        gridTemplateColumns: "minmax(0, 1fr) auto",
        alignItems: "center",
        gap: 2,
        py: 0.75,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <div>
        <strong>{title}</strong>
        {children}
      </div>
      {button}
    </Box>
  );
}
