import { Unready } from "../../../kit/Unready";
import { type Crawl } from "../../../api/client";
import { Workbench } from "../../../kit/Workbench";
import { Clusters } from "./Clusters";
import { Codes } from "./Codes";
import { Layout } from "./Layout";
import { Unpaired } from "./Unpaired";
import { useLanguages } from "./useLanguages";

type View = "sets" | "unpaired" | "codes" | "layout";
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
  const { languages } = useLanguages({ crawl });
  if (languages.state !== "ready") return <Unready screen={languages} />;
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
