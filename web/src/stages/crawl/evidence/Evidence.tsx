import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Column, Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { Bring } from "./Bring";
import { Imports } from "./Imports";
import { Indexes } from "./Indexes";
import { useEvidence } from "./useEvidence";

/** What the site is judged by besides its crawl: indexes, files that were brought, logs. */
export default function Evidence() {
  const { site, evidence } = useEvidence();
  if (evidence.state !== "ready") return <Unready screen={evidence} />;
  return (
    <Scroll component="section" aria-label="Evidence">
      <Box sx={{ py: 1.5, maxWidth: 1180 }}>
        <Typography variant="h1">What the site is judged by besides the crawl</Typography>
        <Quiet>
          A crawl tells what is there. What an index took in, what people search for and who links here is told by
          others: connect an index, or bring its files.
        </Quiet>
      </Box>
      <Column>
        <Indexes site={site} evidence={evidence.data} />
        <Bring site={site} evidence={evidence.data} />
        <Imports site={site} imports={evidence.data.imports} />
      </Column>
    </Scroll>
  );
}
