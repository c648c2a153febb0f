import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Site } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { WhyNot } from "../../../kit/WhyNot";

/** Deletes a site with its crawls and decisions; for a day it can be brought back from the menu of sites. */
export function DeleteSite({ site, disabled }: { site: Site; disabled: boolean }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { navigate } = useAddress();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: () => data(api.DELETE("/sites/{site}", { params: { path: { site: site.id } } })),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["sites"] });
      navigate("/");
    },
  });
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
