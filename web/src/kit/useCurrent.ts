import { useAddress } from "./address";
import { useCrawls, useSites } from "./queries";

/** The site and the crawl that the address names; "latest" is the newest crawl that is judged. */
export function useCurrent() {
  const { siteId, crawlName } = useAddress();
  const sites = useSites();
  const crawls = useCrawls(siteId);
  const site = sites.data?.find((one) => one.id === siteId);
  // Of some URLs only, a crawl says little of the site: it is looked at only where it is asked for, or is all there is.
  const judged = crawls.data?.filter((one) => one.state === "finished") ?? [];
  const latest = judged.find((one) => one.scope === "whole") ?? judged[0];
  const crawl = crawlName === "latest" ? latest : crawls.data?.find((one) => String(one.id) === crawlName);
  const running = crawls.data?.find((one) => one.state !== "finished" && one.state !== "failed");
  return {
    site,
    sites,
    crawls,
    crawl,
    running,
    error: sites.error ?? crawls.error,
    loading: sites.isLoading || crawls.isLoading,
  };
}
