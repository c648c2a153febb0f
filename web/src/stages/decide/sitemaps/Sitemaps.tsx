import { Unready } from "../../../kit/Unready";
import { type Crawl } from "../../../api/client";
import { Workbench } from "../../../kit/Workbench";
import { Builder } from "./Builder";
import { CheckFile } from "./CheckFile";
import { Published } from "./Published";
import { useSitemaps } from "./useSitemaps";

type View = "published" | "build" | "check";
/**
 * What the published sitemaps list against what they should; sets built from what should be indexed; any file checked.
 */
export default function Sitemaps() {
  return (
    <Workbench<View>
      title="What the sitemaps list"
      views={[
        { name: "published", label: "Published", title: "The files that there are" },
        { name: "build", label: "Build", title: "A set built from what should be indexed" },
        { name: "check", label: "Check a file", title: "Any sitemap file, against the protocol" },
      ]}
      show={(view, site, crawl) => <Shown view={view} site={site} crawl={crawl} />}
    />
  );
}

function Shown({ view, site, crawl }: { view: View; site: number; crawl: Crawl }) {
  const { sitemaps } = useSitemaps({ crawl });
  if (view === "check") return <CheckFile />;
  if (sitemaps.state !== "ready") return <Unready screen={sitemaps} />;
  return view === "published" ? (
    <Published crawl={crawl} sitemaps={sitemaps.data} />
  ) : (
    <Builder site={site} sitemaps={sitemaps.data} />
  );
}
