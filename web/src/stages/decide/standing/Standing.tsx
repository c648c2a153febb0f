import { Workbench } from "../../../kit/Workbench";
import { LeftOut } from "./LeftOut";
import { Now } from "./Now";
import { OverTime } from "./OverTime";
import { SentSitemaps } from "./SentSitemaps";

type View = "now" | "time" | "out" | "sitemaps";

/** What the index holds of the site, how that came, and what to do about what it left out. */
export default function Standing() {
  return (
    <Workbench<View>
      title="What the index holds"
      views={[
        { name: "now", label: "Now", title: "What is in and what is out, by the newest evidence" },
        { name: "time", label: "Over time", title: "Where pages stood, evidence by evidence" },
        { name: "out", label: "Left out", title: "What the index left out, by what to do about it" },
        { name: "sitemaps", label: "Sitemaps sent", title: "What the index was sent, and what it kept of it" },
      ]}
      show={(view, site, crawl) => {
        if (view === "time") return <OverTime crawl={crawl} />;
        if (view === "out") return <LeftOut crawl={crawl} />;
        return view === "sitemaps" ? <SentSitemaps site={site} crawl={crawl} /> : <Now crawl={crawl} />;
      }}
    />
  );
}
