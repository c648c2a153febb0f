import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useAddress } from "../../../kit/address";
import { Sheet } from "../../../kit/Sheet";
import { useCurrent } from "../../../kit/useCurrent";
import { useFetchAgain } from "../../../kit/useFetchAgain";
import { DossierView } from "./DossierView";

/** The dossier of the URL that the address names, over the right two thirds of any screen. */
export function DossierSheet() {
  const { search, change } = useAddress();
  const { crawl } = useCurrent();
  const url = search.get("url");
  const close = () => change({ url: undefined });
  return (
    <Sheet label="Dossier" open={!!url && !!crawl} close={close}>
      {url && crawl && (
        <DossierView
          crawl={crawl.id}
          url={url}
          tools={(address) => <Tools url={url} address={address} close={close} />}
        />
      )}
    </Sheet>
  );
}

function Tools({ url, address, close }: { url: string; address: string; close: () => void }) {
  const { to } = useAddress();
  const again = useFetchAgain();
  return (
    <Box sx={{ display: "flex", gap: 1, flex: "none" }}>
      <Button onClick={() => again.mutate({ urls: [address] })} disabled={again.isPending} variant="outlined">
        Fetch again
      </Button>
      <Button component={Link} to={to("read/dossier", { url })} variant="outlined">
        Enlarge
      </Button>
      <Button onClick={close} variant="outlined">
        Close
      </Button>
    </Box>
  );
}
