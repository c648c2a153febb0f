import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { andThen, asked } from "../../../kit/screen";
import { useFinished } from "../../../kit/useFinished";

/** What the pages of the site are judged by, as it was saved. */
export function useGroups() {
  const { siteId: site } = useAddress();
  const crawl = useFinished("Pages can be put into groups once there are some.");
  const saved = useQuery({
    queryKey: ["reading", site],
    queryFn: () => data(api.GET("/sites/{site}/reading", { params: { path: { site } } })),
  });
  return andThen(crawl, ({ judged_again: judging }) => {
    const screen = asked(saved, "the groups");
    return screen.state === "ready" ? { ...screen, data: { site, saved: screen.data, judging } } : screen;
  });
}
