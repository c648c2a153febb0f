import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { useAddress } from "./address";
import { Empty } from "./Notice";

/** What a screen of this stage shows as long as no crawl is finished. */
export function NothingYet({ children }: { children: ReactNode }) {
  const { to } = useAddress();
  return (
    <Empty
      title="Nothing to read yet"
      action={
        <Button component={Link} to={to("crawl/live")} variant="contained">
          To the crawl
        </Button>
      }
    >
      {children}
    </Empty>
  );
}
