import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";

/** What is to be done today, in words; nothing where there is nothing. */
export function TodayLines() {
  const { siteId: site, to } = useAddress();
  const today = useQuery({
    queryKey: ["today", site],
    queryFn: () => data(api.GET("/sites/{site}/today", { params: { path: { site } } })),
  });
  const lines = today.data?.lines ?? [];
  if (lines.length === 0) return null;
  return (
    <Box
      component="section"
      aria-label="Today"
      sx={{ display: "flex", gap: 0.75, flexWrap: "wrap", mb: 1, color: "text.secondary" }}
    >
      <Box component="strong" sx={{ color: "text.primary" }}>
        Today:
      </Box>
      {lines.map((line, place) => {
        const [screen = "", query] = line.screen.split("?");
        return (
          <span key={line.screen}>
            <Link to={`${to(screen)}${query ? `?${query}` : ""}`}>{line.text}</Link>
            {place < lines.length - 1 ? ";" : "."}
          </span>
        );
      })}
    </Box>
  );
}
