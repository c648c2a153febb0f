import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data, type Crawl } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** What RobotsDraft asks for and keeps. */
export function useRobotsDraft({ crawl }: { crawl: Crawl }) {
  const { search, change } = useAddress();
  const origins = useQuery({
    queryKey: ["decide", "robots", crawl.id],
    queryFn: () =>
      data(api.GET("/crawls/{crawl}/robots", { params: { path: { crawl: crawl.id } } })).then((one) => one.origins),
  });
  return { search, change, origins: asked(origins, "the files") };
}
