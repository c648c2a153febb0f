import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl, type Schemas } from "../../../api/client";
import { Failed, Loading } from "../../../kit/Notice";
import { Workbench } from "../../../kit/Workbench";
import { Builder } from "./Builder";
import { CheckFile } from "./CheckFile";
import { Published } from "./Published";

type View = "published" | "build" | "check";
export type SitemapsData = Schemas["Sitemaps"];

/** What the published sitemaps list against what they should; sets built from what should be indexed; any file checked. */
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
  const sitemaps = useQuery({
    queryKey: ["decide", "sitemaps", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/sitemaps", { params: { path: { crawl: crawl.id } } })),
    refetchInterval: (query) => (query.state.data?.builds.some((one) => one.state === "waiting") ? 1000 : false),
  });
  if (view === "check") return <CheckFile />;
  if (sitemaps.error) return <Failed error={sitemaps.error} retry={() => sitemaps.refetch()} />;
  if (!sitemaps.data) return <Loading what="the sitemaps" />;
  return view === "published" ? (
    <Published crawl={crawl} sitemaps={sitemaps.data} />
  ) : (
    <Builder site={site} sitemaps={sitemaps.data} />
  );
}
