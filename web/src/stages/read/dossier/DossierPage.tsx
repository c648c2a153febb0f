import { Unready } from "../../../kit/Unready";
import { useFinished } from "../../../kit/useFinished";
import Box from "@mui/material/Box";
import { useAddress } from "../../../kit/address";
import { Empty } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { DossierView } from "./DossierView";

/** A dossier as a page with an address of its own. */
export default function DossierPage() {
  const { search } = useAddress();
  const crawl = useFinished("A dossier is there once a crawl is finished.");
  const url = search.get("url");
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  if (!url) return <Empty title="No URL was named">Open one from the ledger, or find it with the finder above.</Empty>;
  return (
    <Box sx={{ bgcolor: "background.paper", minHeight: "100%" }}>
      <Title>Dossier</Title>
      <DossierView crawl={crawl.data.id} url={url} />
    </Box>
  );
}
