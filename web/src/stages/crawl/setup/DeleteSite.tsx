import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { type Site } from "../../../api/client";
import { WhyNot } from "../../../kit/WhyNot";
import { useDeleteSite } from "./useDeleteSite";

/** Deletes a site with its crawls and decisions; for a day it can be brought back from the menu of sites. */
export function DeleteSite({ site, disabled }: { site: Site; disabled: boolean }) {
  const { anchor, setAnchor, remove } = useDeleteSite({ site });
  return (
    <>
      <WhyNot error={remove.error} />
      <Button
        color="error"
        disabled={disabled || remove.isPending}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Delete this site …
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem
          onClick={() => {
            setAnchor(null);
            remove.mutate();
          }}
        >
          Delete {site.name} with its crawls and decisions; it can be brought back for a day
        </MenuItem>
      </Menu>
    </>
  );
}
