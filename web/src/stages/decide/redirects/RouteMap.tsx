import { Inline, Clipped, Column, Columns, Mono, Narrow, Quiet } from "../../../kit/pieces";
import { valueOf } from "../../../kit/decisions";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type Crawl } from "../../../api/client";
import { MAPS } from "../../../api/formats";
import { counted } from "../../../kit/format";
import { CheckNow } from "../../../kit/CheckNow";
import { FileLinks } from "../../../kit/FileLinks";
import { WITH_ASIDE } from "../../../kit/layout";
import { Part } from "../../../kit/parts";
import { Sign } from "../../../kit/signs/Sign";
import { useDecide } from "../../../kit/useDecide";
import { UrlText } from "../../../kit/UrlText";
import { BringMap } from "./BringMap";
import { NewRoute } from "./NewRoute";
import { TakesOver } from "./TakesOver";
import { Answer } from "./Target";
import { useRouteMap, Route, waiting } from "./useRouteMap";

const FLAWS: Record<string, string> = {
  "route-loop": "goes round in a circle",
  "route-chain": "leads to an address that is redirected again; it is shortened in the files",
  "route-twice": "there is an earlier rule for this address",
  "route-to-itself": "leads to itself",
  "route-status": "the status doesn't fit",
  "route-source-lives": "a page answers there",
  "route-to-missing": "the target is missing",
  "route-to-redirect": "the target is redirected on the site as it is",
};

/** The redirects that were decided: checked as a whole, tested against the servers, written for them. */
export function RouteMap({ site, crawl }: { site: number; crawl: Crawl }) {
  const { test, map, decide } = useRouteMap({ site, crawl });
  if (map.state !== "ready") return <Unready screen={map} />;
  const { routes, flaws } = map.data;
  const left = waiting(routes, test.data?.asked_at);
  const tested = routes.filter((one) => one.test !== null);
  const wrong = tested.filter((one) => !one.test?.right).length;
  return (
    <Box sx={WITH_ASIDE}>
      <Narrow>
        <Inline gap={1.5} wrap mb={1}>
          <Quiet role="status">
            {routes.length === 0
              ? "No route was decided yet: accept suggestions under Broken, make one, or bring a map."
              : [
                  counted(routes.length, "route"),
                  Object.keys(flaws).length === 0
                    ? "nothing wrong with the map"
                    : `${counted(sum(flaws), "thing")} to look at`,
                  tested.length > 0 && `${wrong} of ${tested.length} tested answer otherwise`,
                  left > 0 && `${counted(left, "test")} to go`,
                ]
                  .filter(Boolean)
                  .join(" · ")}
          </Quiet>
          <Button
            sx={{ ml: "auto" }}
            variant="outlined"
            disabled={routes.length === 0 || left > 0}
            onClick={() => test.mutate()}
          >
            Test against the servers
          </Button>
          <FileLinks
            what="Write for"
            files={MAPS.map(({ name, label }) => ({ name: label, href: `/api/sites/${site}/routes/${name}` }))}
          />
        </Inline>
        <Box
          component="ul"
          aria-label="Routes"
          sx={{ listStyle: "none", m: 0, p: 0, borderTop: routes.length > 0 ? 2 : 0, borderColor: "iron" }}
        >
          {routes.map((route) => (
            <Row
              key={route.from}
              crawl={crawl}
              route={route}
              sooner={sooner(routes, route, decide.mutate)}
              drop={() => decide.mutate({ kind: "route", wishes: { [route.from]: null } })}
            />
          ))}
        </Box>
      </Narrow>
      <Column>
        <Part level="h2" title="A route of your own">
          <NewRoute site={site} />
        </Part>
        <Part level="h2" title="Bring a map">
          <BringMap site={site} />
        </Part>
      </Column>
    </Box>
  );
}

const sum = (counts: Record<string, number>) => Object.values(counts).reduce((all, one) => all + one, 0);

/** Has a pattern tried before the one above it; nothing for the first. */
function sooner(routes: Route[], route: Route, decide: ReturnType<typeof useDecide>["mutate"]) {
  const patterns = routes.filter((one) => one.kind === "pattern");
  const at = patterns.indexOf(route);
  if (at < 1) return undefined;
  const order = patterns.map((_, place) => (place === at ? at - 1 : place === at - 1 ? at : place));
  const wishes = patterns.flatMap((one, place) => {
    const value = valueOf(one.decision, "route");
    return value ? [[one.from, { ...value, order: order[place] }] as const] : [];
  });
  return () => decide({ kind: "route", wishes: Object.fromEntries(wishes) });
}

type RowProps = { crawl: Crawl; route: Route; drop: () => void; sooner: (() => void) | undefined };

function Row({ crawl, route, drop, sooner }: RowProps) {
  return (
    <Columns component="li" of="minmax(0, 1fr) minmax(0, 1fr) 110px 110px" across={1.5} ruled py={0.5}>
      <Narrow>
        {route.kind === "pattern" ? (
          <Mono component="span" size={12} anywhere>
            {route.from}{" "}
            <em>pattern, query {route.query === "match" ? "matched" : route.query === "keep" ? "kept" : "dropped"}</em>
          </Mono>
        ) : (
          <UrlText url={route.from} size={12} withHost />
        )}
        {route.why && <Quiet small>{route.why}</Quiet>}
        <TakesOver heir={route.heir} />
      </Narrow>
      <Clipped>
        <Answer to={route.to} status={route.status} />
        {route.flaws.map((flaw) => (
          <Box key={flaw.code} sx={{ fontSize: 12, display: "flex", gap: 0.75, alignItems: "center" }}>
            <Sign state="weakens" /> {FLAWS[flaw.code] ?? flaw.code}
          </Box>
        ))}
      </Clipped>
      <Box sx={{ fontSize: 12 }}>{told(route)}</Box>
      <Box>
        {crawl.run != null && <CheckNow crawl={crawl.id} decision={route.decision.id} />}
        <Button size="low" onClick={drop} aria-label={`Drop the route of ${route.from}`}>
          Drop
        </Button>
        {sooner && (
          <Button size="low" onClick={sooner} aria-label={`Sooner: try ${route.from} before the pattern above it`}>
            Sooner
          </Button>
        )}
      </Box>
    </Columns>
  );
}

function told({ test }: Route) {
  if (test === null) return <Quiet>not tested</Quiet>;
  return (
    <Inline gap={0.75} title={test.location ?? undefined}>
      <Sign state={test.right ? "passes" : "stops"} />{" "}
      {test.right ? "answers so" : `answers ${test.error ?? test.status}`}
    </Inline>
  );
}
