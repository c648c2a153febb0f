import { Inline, Whole } from "./pieces";
import { Unready } from "./Unready";
import { useFinished } from "./useFinished";
import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";
import type { Crawl } from "../api/client";
import { useAddress } from "./address";
import { type Toggle, Toggles } from "./Toggles";

type Props<View extends string> = {
  title: string;
  views: Toggle<View>[];
  show: (view: View, site: number, crawl: Crawl) => ReactNode;
};

/** A screen on which something is decided: its title, the views that it has, and the one that the address names. */
export function Workbench<View extends string>({ title, views, show }: Props<View>) {
  const crawl = useFinished("There is something to decide once a crawl is finished.");
  const { siteId, search, change } = useAddress();
  const first = views[0]?.name as View;
  const view = views.find((one) => one.name === search.get("view"))?.name ?? first;
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  return (
    <Whole rows="auto minmax(0, 1fr)">
      <Inline gap={2} px={2.5} pt={1.5} pb={1}>
        <Typography variant="h1">{title}</Typography>
        <Toggles<View>
          choices={views}
          value={view}
          choose={(name) => change({ view: name === first ? undefined : name }, true)}
          sx={{ ml: "auto" }}
          choiceSx={{ py: 0.25, px: 1.5 }}
        />
      </Inline>
      {show(view, siteId, crawl.data)}
    </Whole>
  );
}
