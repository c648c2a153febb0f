import { asked } from "../../../kit/screen";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, data, type Crawl, type Schemas } from "../../../api/client";
import { useDecide } from "../../../kit/useDecide";

export type Route = Schemas["RouteMap"]["routes"][number];

/** How many routes weren't asked for yet since the test began. */
export const waiting = (routes: Route[], asked: string | undefined) =>
  asked === undefined
    ? 0
    : routes.filter(
        (one) =>
          !one.flaws.some((flaw) => LEFT_OUT.has(flaw.code)) &&
          (one.test === null || Date.parse(one.test.tested_at) < Date.parse(asked)),
      ).length;

export const LEFT_OUT = new Set(["route-loop", "route-twice", "route-to-itself"]);

/** What RouteMap asks for and keeps. */
export function useRouteMap({ site, crawl }: { site: number; crawl: Crawl }) {
  const test = useMutation({
    mutationFn: () => data(api.POST("/sites/{site}/routes/tests", { params: { path: { site } } })),
  });
  const map = useQuery({
    queryKey: ["decide", "routes", site, crawl.run],
    // What is being typed must not be lost when the crawl is judged anew.
    placeholderData: keepPreviousData,
    queryFn: () => data(api.GET("/sites/{site}/routes", { params: { path: { site } } })),
    refetchInterval: (query) =>
      query.state.data && waiting(query.state.data.routes, test.data?.asked_at) ? 1000 : false,
  });
  const decide = useDecide(site);
  return { test, map: asked(map, "the map"), decide };
}
