import type { Crawl } from "../../../api/client";
import { Workbench } from "../../../kit/Workbench";
import { Canonicals } from "./Canonicals";
import { DirectiveList } from "./DirectiveList";
import { Exceptions } from "./Exceptions";
import { GroupDecisions } from "./GroupDecisions";
import { RobotsDraft } from "./RobotsDraft";

type View = "groups" | "exceptions" | "canonicals" | "directives" | "robots";

/** What belongs in the index: evidence and decision, and what follows from it for those who run the site. */
export default function Intent() {
  return (
    <Workbench<View>
      title="What belongs in the index"
      views={[
        { name: "groups", label: "Groups", title: "Which page groups should be indexed" },
        { name: "exceptions", label: "Exceptions", title: "What was decided for single URLs and patterns" },
        { name: "canonicals", label: "Canonicals", title: "Which URL is the main version of which" },
        { name: "directives", label: "Directives", title: "Which tag, header or line has to be written where" },
        { name: "robots", label: "robots.txt", title: "A draft, what it means, and what it would change" },
      ]}
      show={show}
    />
  );
}

function show(view: View, site: number, crawl: Crawl) {
  switch (view) {
    case "groups":
      return <GroupDecisions site={site} crawl={crawl} />;
    case "exceptions":
      return <Exceptions site={site} />;
    case "canonicals":
      return <Canonicals site={site} />;
    case "directives":
      return <DirectiveList crawl={crawl} />;
    case "robots":
      return <RobotsDraft site={site} crawl={crawl} />;
  }
}
