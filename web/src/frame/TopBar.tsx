import { Spacer } from "../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import InputBase from "@mui/material/InputBase";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { type FormEvent, type MouseEvent, type ReactNode, useState } from "react";
import { Link } from "react-router";
import { narrowed, screenAddress, useAddress } from "../kit/address";
import { counted, day, moment } from "../kit/format";
import { Leaf } from "./Leaf";
import { Mark } from "./Mark";
import { useTopBar } from "./useTopBar";
import { useAccount } from "./useAccount";

const ON_BAR = { color: "#E9E6DF", whiteSpace: "nowrap" } as const;

/** The bar on top: the site, the crawl that is looked at, the finder, and who is signed in. */
export function TopBar() {
  const { site, sites, crawls, crawl, navigate, siteId, removed, back } = useTopBar();
  return (
    <Box
      component="header"
      sx={{ bgcolor: "bar", ...ON_BAR, height: 46, px: 2.5, display: "flex", alignItems: "center", gap: 2 }}
    >
      <Box
        component={Link}
        to="/"
        sx={{ display: "flex", gap: 1, alignItems: "center", textDecoration: "none", ...ON_BAR }}
      >
        <Mark onDark />
        <Box component="span" sx={{ fontSize: 15, fontWeight: 700 }}>
          Iron Trellis
        </Box>
      </Box>
      <Choice label="Site" value={site?.name ?? "new"}>
        {(close) => [
          ...(sites.data ?? []).map((one) => (
            <MenuItem
              key={one.id}
              selected={one.id === siteId}
              onClick={() => {
                close();
                navigate(screenAddress(one.id, "latest", one.newest_crawl === null ? "crawl/setup" : "read/trellis"));
              }}
            >
              {one.name}
            </MenuItem>
          )),
          ...(removed.data ?? []).map((one) => (
            <MenuItem
              key={`removed ${one.id}`}
              sx={{ color: "text.secondary" }}
              onClick={() => {
                close();
                back.mutate(one.id);
              }}
            >
              Bring back {one.name}, deleted by {one.removed_by}; until {moment(one.until)}
            </MenuItem>
          )),
          <MenuItem
            key="new"
            onClick={() => {
              close();
              navigate("/new");
            }}
          >
            New site …
          </MenuItem>,
        ]}
      </Choice>
      {crawl && (
        <Choice label="As of" value={`crawl ${crawl.number}, ${day(crawl.created_at)}`}>
          {(close) =>
            (crawls.data ?? [])
              .filter((one) => one.state === "finished")
              .map((one) => (
                <MenuItem
                  key={one.id}
                  selected={one.id === crawl.id}
                  onClick={() => {
                    close();
                    navigate(screenAddress(siteId, String(one.id), "read/trellis"));
                  }}
                >
                  Crawl {one.number}, {day(one.created_at)} · {counted(one.progress.fetched, "URL")} fetched
                  {one.scope === "partial" ? " · of a list" : ""}
                </MenuItem>
              ))
          }
        </Choice>
      )}
      <Spacer />
      {site && <Finder />}
      <Leaf />
      <Account />
    </Box>
  );
}

function Choice({
  label,
  value,
  children,
}: {
  label: string;
  value: string;
  children: (close: () => void) => ReactNode;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  return (
    <>
      <Button
        onClick={(event: MouseEvent<HTMLElement>) => setAnchor(event.currentTarget)}
        aria-haspopup="menu"
        sx={{ ...ON_BAR, fontWeight: 400, borderLeft: "1px solid #4A5357", borderRadius: 0, pl: 2 }}
      >
        {label}&nbsp;<strong>{value}</strong>
        <Box component="svg" width={9} height={6} aria-hidden sx={{ ml: 0.75 }}>
          <path d="M1 1l3.5 4L8 1" fill="none" stroke="currentColor" strokeWidth="1.4" />
        </Box>
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={close}>
        {children(close)}
      </Menu>
    </>
  );
}

/** Narrows the ledger to URLs that hold what was typed. */
function Finder() {
  const { navigate, to } = useAddress();
  const [text, setText] = useState("");
  const find = (event: FormEvent) => {
    event.preventDefault();
    if (text.trim()) navigate(to("read/ledger", narrowed({ field: "url", op: "contains", value: text.trim() })));
  };
  return (
    <Box
      component="form"
      role="search"
      onSubmit={find}
      sx={{ bgcolor: "#343C40", borderRadius: 1, px: 1.5, width: 260 }}
    >
      <InputBase
        id="find"
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="Find a URL"
        inputProps={{ "aria-label": "Find a URL", autoComplete: "off" }}
        endAdornment={<kbd style={{ color: "#C3CBCD" }}>/</kbd>}
        sx={{ ...ON_BAR, width: "100%", "& input::placeholder": { color: "#C3CBCD", opacity: 1 } }}
      />
    </Box>
  );
}

function Account() {
  const { session, anchor, setAnchor, leave } = useAccount();
  return (
    <>
      <Button
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ ...ON_BAR, fontWeight: 400 }}
      >
        {session.data?.user?.name}
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        <MenuItem onClick={() => leave.mutate()}>Sign out</MenuItem>
      </Menu>
    </>
  );
}
