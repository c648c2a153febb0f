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
  const lenses = useLenses();
  const { change } = useAddress();
  const look = (lens: Schemas["Lens"]) => {
    change({ where: lens.where ?? undefined, cols: lens.columns?.join(","), sort: lens.sort ?? undefined });
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
        {lenses.all.map((lens) => (
          <MenuItem key={lens.id} onClick={() => look(lens)} sx={{ justifyContent: "space-between", gap: 2 }}>
            {lens.name}
            <IconButton
              size="small"
              aria-label={`Drop the saved view ${lens.name}`}
              onClick={(event) => {
                event.stopPropagation();
                lenses.drop.mutate(lens.id);
              }}
              sx={{ width: 22, height: 22, fontSize: 14 }}
            >
              ×
            </IconButton>
          </MenuItem>
        ))}
        {lenses.all.length > 0 && <Divider />}
        <MenuItem onClick={() => setOpen("name")}>Save this view …</MenuItem>
      </Menu>
      <Popover
        anchorEl={anchor}
        open={open === "name"}
        onClose={() => setOpen(null)}
        anchorOrigin={{ vertical: "bottom", horizontal: "left" }}
      >
        <NameForm lenses={lenses} ledger={ledger} done={() => setOpen(null)} />
      </Popover>
    </>
  );
}

type FormProps = { lenses: ReturnType<typeof useLenses>; ledger: LedgerState; done: () => void };

function NameForm({ lenses, ledger, done }: FormProps) {
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
    lenses.keep.mutate(view, { onSuccess: done });
  };
  const known = lenses.all.some((lens) => lens.name === name.trim());
  return (
    <Box component="form" onSubmit={submit} sx={{ p: 2, width: 320, display: "grid", gap: 1.5 }}>
      <TextField
        label="Name of the view"
        autoFocus
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={!!lenses.keep.error}
        helperText={
          lenses.keep.error?.message ??
          (known
            ? "The saved view of this name is replaced."
            : "Conditions, columns and order are kept, for everybody on this site.")
        }
      />
      <Button type="submit" variant="contained" disabled={name.trim() === "" || lenses.keep.isPending}>
        Save
      </Button>
    </Box>
  );
}

/** The saved views of the site, and what can be done with them. */
function useLenses() {
  const { siteId } = useAddress();
  const queries = useQueryClient();
  const path = { site: siteId };
  const key = ["lenses", siteId];
  const kept = (answer: { lenses: Schemas["Lens"][] }) => queries.setQueryData(key, answer);
  const all = useQuery({ queryKey: key, queryFn: () => data(api.GET("/sites/{site}/lenses", { params: { path } })) });
  const keep = useMutation({
    mutationFn: (body: Schemas["LensInput"]) => data(api.POST("/sites/{site}/lenses", { params: { path }, body })),
    onSuccess: kept,
  });
  const drop = useMutation({
    mutationFn: (lens: number) =>
      data(api.DELETE("/sites/{site}/lenses/{lens}", { params: { path: { ...path, lens } } })),
    onSuccess: kept,
  });
  return { all: all.data?.lenses ?? [], keep, drop };
}
