import Stack from "@mui/material/Stack";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useAddress } from "../../../kit/address";
import { Empty, Failed, Loading } from "../../../kit/Notice";
import { useCurrent } from "../../../kit/useCurrent";
import { AllCrawls } from "./AllCrawls";
import { CrawlNow } from "./CrawlNow";

/** The crawl as it runs; when none runs, the newest one and those before it. */
export default function Live() {
  const { crawls, loading, error } = useCurrent();
  const { to } = useAddress();
  if (error) return <Failed error={error} />;
  if (loading || !crawls.data) return <Loading what="the crawls" />;
  const newest = crawls.data[0];
  if (!newest) {
    return (
      <Empty
        title="This site hasn’t been crawled yet"
        action={
          <Button component={Link} to={to("crawl/setup")} variant="contained">
            To the setup
          </Button>
        }
      >
        Look over what the crawl is told, then start it there.
      </Empty>
    );
  }
  return (
    <Stack spacing={3} sx={{ px: 2.5, py: 1.5 }}>
      <CrawlNow key={newest.id} crawl={newest} />
      <AllCrawls crawls={crawls.data} />
    </Stack>
  );
}
