import Box from "@mui/material/Box";
import { count } from "../../../kit/format";
import type { LeftOutList } from "./useStanding";

/** The classes, each as a tray with how many URLs lie in it. */
export function Trays({ list, open }: { list: LeftOutList; open: (name: string) => void }) {
  return (
    <Box component="nav" aria-label="Classes" sx={{ display: "flex", gap: 0.75, px: 2.5, py: 1, overflowX: "auto" }}>
      {list.trays.map((tray) => {
        const chosen = tray.class === list.class;
        return (
          <Box
            key={tray.class ?? "none"}
            component="button"
            aria-pressed={chosen}
            onClick={() => tray.class && open(tray.class)}
            sx={{
              flex: "1 1 0",
              minWidth: 104,
              textAlign: "left",
              font: "inherit",
              color: tray.urls === 0 ? "text.secondary" : "text.primary",
              bgcolor: chosen ? "background.paper" : "transparent",
              border: 1,
              borderBottom: chosen ? 4 : 1,
              borderColor: chosen ? "iron" : "divider",
              p: 0.75,
              cursor: "pointer",
            }}
          >
            <Box component="span" sx={{ display: "block", fontSize: 20 }}>
              {count(tray.urls)}
            </Box>
            <Box component="span" sx={{ fontSize: 12, lineHeight: 1.2, display: "block" }}>
              {tray.label}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
