import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, data } from "../api/client";
import { useAddress } from "../kit/address";
import { count, counted, duration } from "../kit/format";
import { useCurrent } from "../kit/useCurrent";
import { STAGES } from "../stages/screens";

/** Five stations on one line, each with its own live number; the open stage shows its screens under it. */
export function StageRail({ screen }: { screen: string }) {
  const numbers = useNumbers();
  const { to, siteId } = useAddress();
  const open = STAGES.find((stage) => stage.screens.some((one) => one.path === screen)) ?? STAGES[1];
  return (
    <Box
      component="nav"
      aria-label="Stages"
      sx={{ bgcolor: "background.paper", borderBottom: 1, borderColor: "divider", position: "relative" }}
    >
      <Box
        aria-hidden
        sx={{
          position: "absolute",
          left: "10%",
          right: "10%",
          top: 20,
          borderTop: "2px solid",
          borderColor: "divider",
        }}
      />
      <Box
        component="ol"
        sx={{ display: "grid", gridTemplateColumns: "repeat(5, 1fr)", listStyle: "none", m: 0, p: 0 }}
      >
        {STAGES.map((stage, index) => {
          const first = stage.screens[0];
          const isOpen = stage === open;
          const reachable = first && Number.isFinite(siteId);
          return (
            <Box
              component="li"
              key={stage.name}
              sx={{
                display: "grid",
                justifyItems: "center",
                alignContent: "start",
                pt: 1,
                pb: 0.75,
                position: "relative",
              }}
            >
              <Station
                stage={stage.name}
                number={index + 1}
                open={isOpen}
                coming={!first}
                to={reachable ? to(first.path) : undefined}
              />
              <Box sx={{ fontSize: 12, color: "text.secondary", height: 18, whiteSpace: "nowrap" }}>
                {first ? numbers[stage.name] : "coming"}
              </Box>
              {isOpen && (
                <Box sx={{ display: "flex", gap: 2.5, height: 22, whiteSpace: "nowrap" }}>
                  {stage.screens.map((one) => (
                    <Box
                      key={one.path}
                      component={Number.isFinite(siteId) ? Link : "span"}
                      {...(Number.isFinite(siteId) ? { to: to(one.path) } : {})}
                      aria-current={one.path === screen ? "page" : undefined}
                      sx={{
                        textDecoration: "none",
                        fontWeight: one.path === screen ? 700 : 500,
                        color: one.path === screen ? "text.primary" : "text.secondary",
                        borderBottom: "2px solid",
                        borderColor: one.path === screen ? "verdigris" : "transparent",
                      }}
                    >
                      {one.name}
                    </Box>
                  ))}
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function Station(props: { stage: string; number: number; open: boolean; coming: boolean; to: string | undefined }) {
  const dot = {
    width: 24,
    height: 24,
    borderRadius: "50%",
    display: "grid",
    placeItems: "center",
    fontSize: 12,
    fontWeight: 700,
    border: "2px solid",
    borderStyle: props.coming ? "dashed" : "solid",
    borderColor: props.open ? "verdigris" : props.coming ? "slate" : "iron",
    bgcolor: props.open ? "verdigris" : "background.paper",
    color: props.open ? "primary.contrastText" : props.coming ? "text.secondary" : "text.primary",
  } as const;
  const content = (
    <>
      <Box component="span" sx={dot}>
        {props.number}
      </Box>
      <Box
        component="span"
        sx={{ fontWeight: 650, fontSize: 13.5, color: props.coming ? "text.secondary" : "text.primary" }}
      >
        {props.stage}
      </Box>
    </>
  );
  const style = {
    display: "flex",
    alignItems: "center",
    gap: 1,
    textDecoration: "none",
    px: 1,
    bgcolor: "background.paper",
  } as const;
  return props.to ? (
    <Box component={Link} to={props.to} sx={style}>
      {content}
    </Box>
  ) : (
    <Box sx={style}>{content}</Box>
  );
}

/** What each stage has to say about the crawl that is looked at. */
function useNumbers(): Record<string, string> {
  const { crawl, running } = useCurrent();
  const rail = useQuery({
    queryKey: ["rail", crawl?.id, crawl?.state, crawl?.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/rail", { params: { path: { crawl: crawl?.id ?? 0 } } })),
    enabled: !!crawl,
  });
  if (running) return { Crawl: `${count(running.progress.fetched)} fetched, running`, Read: readNumber(rail.data) };
  if (!rail.data) return { Crawl: "no crawl yet", Read: "" };
  const { fetched, seconds } = rail.data;
  return {
    Crawl: `${counted(fetched, "URL")}${seconds === null ? "" : ` in ${duration(seconds)}`}`,
    Read: readNumber(rail.data),
    Decide: rail.data.undecided_groups === null ? "" : `${counted(rail.data.undecided_groups, "group")} undecided`,
    Plan: planNumber(rail.data),
    Prove: rail.data.proved === null ? "" : `${counted(rail.data.proved, "fix", "fixes")} proved`,
  };
}

function planNumber({ fixes, hours }: { fixes: number | null; hours: number | null }) {
  if (fixes === null) return "";
  return hours ? `${count(Math.round(hours))} h laid out` : `${counted(fixes, "fix", "fixes")} to do`;
}

function readNumber(
  rail: { wanted: number | null; wanted_stopping: number | null; stopping: number | null } | undefined,
) {
  if (!rail || rail.wanted === null) return "";
  const are = rail.wanted_stopping === 1 ? "is" : "are";
  return rail.wanted > 0
    ? `${count(rail.wanted_stopping ?? 0)} of ${count(rail.wanted)} ${are} stopped`
    : counted(rail.stopping ?? 0, "page is stopped", "pages are stopped");
}
