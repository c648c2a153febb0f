import { useMutation } from "@tanstack/react-query";
import { api, type Crawl } from "../../../api/client";
import { worked } from "../../../api/tasks";

/** What RobotsNow asks for and keeps. */
export function useRobotsNow({ crawl, origin }: { crawl: Crawl; origin: string }) {
  const again = useMutation({
    mutationFn: () =>
      worked(
        "robots_again",
        api.POST("/crawls/{crawl}/robots/again", { params: { path: { crawl: crawl.id } }, body: { origin } }),
      ),
  });
  const now = again.data;
  return { again, now };
}
