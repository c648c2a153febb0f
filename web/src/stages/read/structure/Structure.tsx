import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { counted, count } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { useCurrent } from "../../../kit/useCurrent";
import { Part } from "../../../kit/parts";
import { NothingYet } from "../../../kit/NothingYet";
import { Depths } from "./Depths";
import { Flow } from "./Flow";
import { Folders } from "./Folders";
import { Hubs } from "./Hubs";

/** How the site hangs together: by clicks, by folders, by what flows between its groups. */
export default function Structure() {
  const { crawl, loading, error } = useCurrent();
  const judged = crawl?.state === "finished" ? crawl.id : undefined;
  const structure = useQuery({
    queryKey: ["structure", judged, crawl?.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/structure", { params: { path: { crawl: judged ?? 0 } } })),
    enabled: judged !== undefined,
  });
  if (error ?? structure.error)
    return <Failed error={error ?? structure.error ?? new Error()} retry={() => structure.refetch()} />;
  if (loading || (judged !== undefined && !structure.data)) return <Loading what="the structure" />;
  if (judged === undefined || !structure.data)
    return <NothingYet>The structure is drawn once a crawl is finished.</NothingYet>;

  const { depths, deep_from, important_from } = structure.data;
  const pages = depths.reduce((sum, one) => sum + one.pages, 0);
  const deep = depths.reduce((sum, one) => sum + (one.depth !== null && one.depth >= deep_from ? one.important : 0), 0);
  return (
    <Box sx={{ px: 2.5, py: 1.5 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2, mb: 1.5 }}>
        <Typography variant="h1">How the site hangs together</Typography>
        <Typography sx={{ color: "text.secondary" }}>
          {counted(pages, "HTML page")};{" "}
          {!structure.data.important_known
            ? "nothing says yet which pages matter: decide what should be indexed, mark key pages or publish a sitemap"
            : deep === 0
              ? `none that matters lies ${deep_from} clicks deep or deeper`
              : `${count(deep)} that matter (importance ${important_from} and more) lie ${deep_from} clicks deep or deeper`}
        </Typography>
      </Box>
      <Box
        sx={{ display: "grid", gridTemplateColumns: "minmax(380px, 5fr) minmax(560px, 8fr)", columnGap: 4, rowGap: 3 }}
      >
        <Part level="h2" title="Clicks from the start">
          <Depths depths={depths} deepFrom={deep_from} />
        </Part>
        <Part level="h2" title="What authority flows between page groups">
          <Flow flow={structure.data.flow} />
        </Part>
      </Box>
      <Box sx={{ mt: 3, display: "grid", gridTemplateColumns: "minmax(0, 1fr)", rowGap: 3 }}>
        <Part level="h2" title="Folders">
          <Folders folders={structure.data.folders} />
        </Part>
        <Hubs structure={structure.data} />
      </Box>
    </Box>
  );
}
