import Drawer from "@mui/material/Drawer";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useAddress } from "../../../kit/address";
import { useCurrent } from "../../../kit/useCurrent";
import { DossierView } from "./DossierView";

/** The dossier of the URL that the address names, over the right two thirds of any screen. */
export function DossierSheet() {
  const { search, change, to } = useAddress();
  const { crawl } = useCurrent();
  const url = search.get("url");
  const close = () => change({ url: undefined });
  return (
    <Drawer
      anchor="right"
      open={!!url && !!crawl}
      onClose={close}
      slotProps={{
        paper: {
          "aria-label": "Dossier",
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
      {url && crawl && (
        <DossierView
          crawl={crawl.id}
          url={url}
          tools={
            <Box sx={{ display: "flex", gap: 1 }}>
              <Button component={Link} to={to("read/dossier", { url })} variant="outlined">
                Enlarge
              </Button>
              <Button onClick={close} variant="outlined">
                Close
              </Button>
            </Box>
          }
        />
      )}
    </Drawer>
  );
}
