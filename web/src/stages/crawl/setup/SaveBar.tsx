import { Spacer } from "../../../kit/pieces";
import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Site } from "../../../api/client";
import { BottomBar } from "../../../kit/BottomBar";
import { day } from "../../../kit/format";
import { useCurrent } from "../../../kit/useCurrent";
import { DeleteSite } from "./DeleteSite";
import type { useSetup } from "./useSetup";

/** What is done with the settings. */
export function SaveBar({ setup, site }: { setup: ReturnType<typeof useSetup>; site: Site }) {
  const { crawls, running } = useCurrent();
  const { save, crawl, failure, busy } = setup;
  return (
    <BottomBar>
      <Button type="submit" variant="contained" disabled={busy || !!running}>
        Save and crawl
      </Button>
      <Button variant="outlined" disabled={busy} onClick={() => save.mutate()}>
        Save
      </Button>
      {(crawls.data?.length ?? 0) > 0 && <CopyFrom setup={setup} />}
      {running && <Typography color="textSecondary">A crawl of this site is running; see Live.</Typography>}
      {failure && (
        <Alert severity="error" sx={{ py: 0 }}>
          {failure.message}
        </Alert>
      )}
      {save.isSuccess && !failure && !crawl.isPending && (
        <Typography role="status" color="textSecondary">
          Saved.
        </Typography>
      )}
      <Spacer />
      <DeleteSite site={site} disabled={busy || !!running} />
    </BottomBar>
  );
}

/** Takes over what an earlier crawl was told; nothing is saved by it. */
function CopyFrom({ setup }: { setup: ReturnType<typeof useSetup> }) {
  const { crawls } = useCurrent();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Copy settings of a crawl
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        {crawls.data?.map((one) => (
          <MenuItem
            key={one.id}
            onClick={() => {
              setup.copyFrom(one);
              setAnchor(null);
            }}
          >
            Crawl {one.number}, {day(one.created_at)}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
