import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, data } from "../api/client";
import { useAddress } from "../kit/address";

const LOOK_AGAIN_MS = 60_000;

/** A leaf that turns when there is something that somebody has to hear of. */
export function Leaf() {
  const { siteId: site, to } = useAddress();
  const alerts = useQuery({
    queryKey: ["alerts", site],
    queryFn: () => data(api.GET("/sites/{site}/alerts", { params: { path: { site } } })),
    enabled: site > 0,
    refetchInterval: LOOK_AGAIN_MS,
  });
  const unseen = alerts.data?.unseen ?? 0;
  if (!(site > 0)) return null;
  return (
    <Box
      component={Link}
      to={to("prove/alerts")}
      aria-label={unseen === 0 ? "No alerts" : `${unseen} ${unseen === 1 ? "alert" : "alerts"} to look at`}
      sx={{ display: "flex", gap: 0.5, alignItems: "center", textDecoration: "none", color: "#E9E6DF" }}
    >
      <Box
        component="svg"
        viewBox="0 0 20 20"
        aria-hidden
        sx={{ width: 18, transition: "transform .4s", transform: unseen > 0 ? "rotate(90deg)" : "none" }}
      >
        <path d="M3 17 C3 7 9 3 17 3 C17 11 13 17 3 17 Z" fill={unseen > 0 ? "#E08457" : "#6E8F5F"} />
        <path d="M3 17 L13 7" stroke="#23292C" strokeWidth="1.5" />
      </Box>
      {unseen > 0 && unseen}
    </Box>
  );
}
