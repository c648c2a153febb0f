import Box from "@mui/material/Box";
import { useAddress } from "../../../kit/address";
import { Empty, Failed, Loading } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { DossierView } from "./DossierView";

/** A dossier as a page with an address of its own. */
export default function DossierPage() {
  const { search } = useAddress();
  const { crawl, loading, error } = useCurrent();
  const url = search.get("url");
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the dossier" />;
  if (!crawl || !url)
    return <Empty title="No URL was named">Open one from the ledger, or find it with the finder above.</Empty>;
  return (
    <Box sx={{ bgcolor: "background.paper", minHeight: "100%" }}>
      <Title>Dossier</Title>
      <DossierView crawl={crawl.id} url={url} />
    </Box>
  );
}
