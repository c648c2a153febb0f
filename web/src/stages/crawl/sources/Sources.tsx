import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Column, Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { Bring } from "./Bring";
import { Imports } from "./Imports";
import { Indexes } from "./Indexes";
import { useSources } from "./useSources";

/** What the site is judged by besides its crawl: indexes, files that were brought, logs. */
export default function Sources() {
  const { site, sources } = useSources();
  if (sources.state !== "ready") return <Unready screen={sources} />;
  return (
    <Scroll component="section" aria-label="Sources">
      <Box sx={{ py: 1.5, maxWidth: 1180 }}>
        <Typography variant="h1">What the site is judged by besides the crawl</Typography>
        <Quiet>
          A crawl tells what is there. What an index took in, what people search for and who links here is told by
          others: connect an index, or bring its files.
        </Quiet>
      </Box>
      <Column>
        <Indexes site={site} sources={sources.data} />
        <Bring site={site} sources={sources.data} />
        <Imports site={site} imports={sources.data.imports} />
      </Column>
    </Scroll>
  );
}
