import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { DossierSheet } from "../stages/read/dossier/DossierSheet";
import { useNewVerdicts } from "./useNewVerdicts";
import { JudgingFailed } from "./JudgingFailed";
import { KeyHelp, useKeys } from "./Keys";
import { StageRail } from "./StageRail";
import { TopBar } from "./TopBar";
import { Waiting } from "./Waiting";

/** What is around every screen: the bar, the stage rail, and the dossier of the URL that the address names. */
export function Frame({ screen, children }: { screen: string; children: ReactNode }) {
  const keys = useKeys();
  useNewVerdicts();
  return (
    <Box sx={{ height: "100vh", display: "grid", gridTemplateRows: "auto auto minmax(0, 1fr)" }}>
      <TopBar />
      <StageRail screen={screen} />
      <Box component="main" sx={{ overflow: "auto", minHeight: 0, position: "relative" }}>
        <JudgingFailed />
        <Waiting />
        {children}
      </Box>
      {screen !== "read/dossier" && <DossierSheet />}
      <KeyHelp open={keys.helpOpen} close={keys.closeHelp} />
    </Box>
  );
}
