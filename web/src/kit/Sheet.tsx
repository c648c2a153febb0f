import Drawer from "@mui/material/Drawer";
import type { ReactNode } from "react";

type Props = { label: string; open: boolean; close: () => void; children: ReactNode };

/** A sheet over the right two thirds of a screen, below the bar. */
export function Sheet({ label, open, close, children }: Props) {
  return (
    <Drawer
      anchor="right"
      open={open}
      onClose={close}
      slotProps={{
        paper: {
          "aria-label": label,
          role: "dialog",
          sx: {
            width: "66.6vw",
            minWidth: 680,
            top: 46,
            height: "calc(100% - 46px)",
            borderLeft: 3,
            borderColor: "iron",
            "&:focus-visible": { outline: "none" },
          },
        },
        backdrop: { sx: { bgcolor: "rgba(35,41,44,0.18)", top: 46 } },
      }}
    >
      {children}
    </Drawer>
  );
}
