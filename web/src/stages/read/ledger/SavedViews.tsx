import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Divider from "@mui/material/Divider";
import IconButton from "@mui/material/IconButton";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Popover from "@mui/material/Popover";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { writeWhere } from "../../../kit/conditions";
import { SHOWN_AT_FIRST } from "./columnSets";
import type { LedgerState } from "./useLedger";

/** Saved views: choose one, or save what is shown under a name. */
export function SavedViews({ ledger }: { ledger: LedgerState }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [open, setOpen] = useState<"menu" | "name" | null>(null);
  const views = useViews();
  const { change } = useAddress();
  const look = (one: Schemas["SavedView"]) => {
    change({ where: one.where ?? undefined, cols: one.columns?.join(","), sort: one.sort ?? undefined });
    setOpen(null);
  };
  return (
    <>
      <Button ref={setAnchor} variant="outlined" aria-haspopup="menu" onClick={() => setOpen("menu")}>
        Saved views
      </Button>
      <Menu
        anchorEl={anchor}
        open={open === "menu"}
        onClose={() => setOpen(null)}
        slotProps={{ list: { dense: true } }}
      >
        {views.all.map((one) => (
          <MenuItem key={one.id} onClick={() => look(one)} sx={{ justifyContent: "space-between", gap: 2 }}>
            {one.name}
            <IconButton
              size="small"
              aria-label={`Drop the saved view ${one.name}`}
              onClick={(event) => {
                event.stopPropagation();
                views.drop.mutate(one.id);
              }}
              sx={{ width: 22, height: 22, fontSize: 14 }}
            >
              ×
            </IconButton>
          </MenuItem>
        ))}
        {views.all.length > 0 && <Divider />}
        <MenuItem onClick={() => setOpen("name")}>Save this view …</MenuItem>
      </Menu>
      <Popover
        anchorEl={anchor}
        open={open === "name"}
        onClose={() => setOpen(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        <NameForm views={views} ledger={ledger} done={() => setOpen(null)} />
      </Popover>
    </>
  );
}

type FormProps = { views: ReturnType<typeof useViews>; ledger: LedgerState; done: () => void };

function NameForm({ views, ledger, done }: FormProps) {
  const [name, setName] = useState("");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const columns = ledger.columns.map((column) => column.field as string);
    const view = {
      name,
      where: writeWhere(ledger.where) ?? null,
      columns: columns.join(",") === SHOWN_AT_FIRST.join(",") ? null : columns,
      sort: ledger.sort === "url" ? null : ledger.sort,
    };
    views.keep.mutate(view, { onSuccess: done });
  };
  const known = views.all.some((one) => one.name === name.trim());
  return (
    <Box component="form" onSubmit={submit} sx={{ p: 2, width: 320, display: "grid", gap: 1.5 }}>
      <TextField
        label="Name of the view"
        autoFocus
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={!!views.keep.error}
        helperText={
          views.keep.error?.message ??
          (known
            ? "The saved view of this name is replaced."
            : "Conditions, columns and order are kept, for everybody on this site.")
        }
      />
      <Button type="submit" variant="contained" disabled={name.trim() === "" || views.keep.isPending}>
        Save
      </Button>
    </Box>
  );
}

/** The saved views of the site, and what can be done with them. */
function useViews() {
  const { siteId } = useAddress();
  const queries = useQueryClient();
  const path = { site: siteId };
  const key = ["views", siteId];
  const kept = (answer: { views: Schemas["SavedView"][] }) => queries.setQueryData(key, answer);
  const all = useQuery({ queryKey: key, queryFn: () => data(api.GET("/sites/{site}/views", { params: { path } })) });
  const keep = useMutation({
    mutationFn: (body: Schemas["SavedViewInput"]) => data(api.POST("/sites/{site}/views", { params: { path }, body })),
    onSuccess: kept,
  });
  const drop = useMutation({
    mutationFn: (id: number) =>
      data(api.DELETE("/sites/{site}/views/{view}", { params: { path: { ...path, view: id } } })),
    onSuccess: kept,
  });
  return { all: all.data?.views ?? [], keep, drop };
}
