import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl, type Schemas } from "../../../api/client";
import { Failed, Loading } from "../../../kit/Notice";
import { Workbench } from "../../../kit/Workbench";
import { Clusters } from "./Clusters";
import { Codes } from "./Codes";
import { Layout } from "./Layout";
import { Unpaired } from "./Unpaired";

type View = "sets" | "unpaired" | "codes" | "layout";
export type LanguagesData = Schemas["Languages"];

/** Who names whom for which language, and the sets that there shall be. */
export default function Languages() {
  return (
    <Workbench<View>
      title="Language versions"
      views={[
        { name: "sets", label: "Sets", title: "Pages that name each other, as a matrix" },
        {
          name: "unpaired",
          label: "Unpaired pages",
          title: "Pages that seem to belong together and don't name each other",
        },
        { name: "codes", label: "Codes", title: "Codes in use, and a finder" },
        { name: "layout", label: "Layout", title: "How the languages are laid out" },
      ]}
      show={(view, site, crawl) => <Shown view={view} site={site} crawl={crawl} />}
    />
  );
}

function Shown({ view, site, crawl }: { view: View; site: number; crawl: Crawl }) {
  const languages = useQuery({
    queryKey: ["decide", "languages", crawl.id, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/crawls/{crawl}/languages", { params: { path: { crawl: crawl.id } } })),
  });
  if (languages.error) return <Failed error={languages.error} retry={() => languages.refetch()} />;
  if (!languages.data) return <Loading what="the languages" />;
  switch (view) {
    case "sets":
      return <Clusters site={site} crawl={crawl} languages={languages.data} />;
    case "unpaired":
      return <Unpaired site={site} languages={languages.data} />;
    case "codes":
      return <Codes codes={languages.data.codes} />;
    case "layout":
      return <Layout languages={languages.data} />;
  }
}
