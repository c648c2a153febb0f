import type { Crawl } from "../../../api/client";
import { Workbench } from "../../../kit/Workbench";
import { Broken } from "./Broken";
import { Observed } from "./Observed";
import { Repoint } from "./Repoint";
import { RouteMap } from "./RouteMap";

type View = "broken" | "observed" | "map" | "repoint";

/**
 * Where lost addresses should lead: broken ones, redirects that there are, the map that was decided, links that go
 * astray.
 */
export default function Redirects() {
  return (
    <Workbench<View>
      title="Where addresses lead"
      views={[
        { name: "broken", label: "Broken", title: "Addresses that answer no more, with suggested targets" },
        { name: "observed", label: "Redirects", title: "Redirects that there are, with all their hops" },
        { name: "map", label: "Map", title: "The redirects that were decided" },
        { name: "repoint", label: "Links to repoint", title: "Links that go through a redirect or to a missing page" },
      ]}
      show={show}
    />
  );
}

function show(view: View, site: number, crawl: Crawl) {
  switch (view) {
    case "broken":
      return <Broken site={site} crawl={crawl} />;
    case "observed":
      return <Observed site={site} crawl={crawl} />;
    case "map":
      return <RouteMap site={site} crawl={crawl} />;
    case "repoint":
      return <Repoint site={site} crawl={crawl} />;
  }
}
