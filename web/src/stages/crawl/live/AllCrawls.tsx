import { PlainList, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, type Crawl, data } from "../../../api/client";
import { screenAddress, useAddress } from "../../../kit/address";
import { counted, day, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { isEnded, useRemovedCrawls } from "../../../kit/queries";
import { WhyNot } from "../../../kit/WhyNot";
import { STATES } from "./states";

/** The crawls of the site, the newest first: marked to be kept, deleted, and brought back. */
export function AllCrawls({ crawls }: { crawls: Crawl[] }) {
  const { siteId } = useAddress();
  const removed = useRemovedCrawls(siteId);
  const acts = useActs(siteId);
  return (
    <Part level="h2" title="Crawls of this site">
      <WhyNot error={acts.error} />
      <PlainList aria-label="Crawls">
        {crawls.map((crawl) => (
          <Box component="li" key={crawl.id} sx={ROW}>
            {crawl.state === "finished" ? (
              <Link to={screenAddress(siteId, String(crawl.id), "read/trellis")}>Crawl {crawl.number}</Link>
            ) : (
              <span>Crawl {crawl.number}</span>
            )}
            <span>{day(crawl.created_at)}</span>
            <span>
              {counted(crawl.progress.fetched, "URL")} fetched{crawl.scope === "partial" ? ", of a list" : ""}
            </span>
            <Quiet component="span">{STATES[crawl.state]}</Quiet>
            <FormControlLabel
              sx={{ mr: 0 }}
              control={
                <Checkbox
                  size="small"
                  sx={{ py: 0 }}
                  checked={crawl.kept}
                  disabled={acts.busy}
                  onChange={(_, kept) => acts.keep.mutate({ id: crawl.id, kept })}
                />
              }
              label="keep"
            />
            <Button
              disabled={!isEnded(crawl.state) || acts.busy}
              aria-label={`Delete crawl ${crawl.number}`}
              onClick={() => acts.remove.mutate(crawl.id)}
              size="low"
            >
              Delete
            </Button>
          </Box>
        ))}
        {removed.data?.map((one) => (
          <Box component="li" key={one.id} sx={{ ...ROW, color: "text.secondary" }}>
            <span>{one.name}</span>
            <Box component="span" sx={{ gridColumn: "2 / 6" }}>
              deleted by {one.removed_by}; gone for good {moment(one.until)}
            </Box>
            <Button disabled={acts.busy} onClick={() => acts.back.mutate(one.id)} size="low">
              Bring back
            </Button>
          </Box>
        ))}
      </PlainList>
    </Part>
  );
}

const ROW = {
  display: "grid",
  gridTemplateColumns: "90px 110px minmax(0, 1fr) 150px 90px 100px",
  columnGap: 2,
  alignItems: "center",
  borderBottom: 1,
  borderColor: "divider",
  py: 0.25,
} as const;

function useActs(site: number) {
  const queries = useQueryClient();
  const onSettled = () =>
    Promise.all([
      queries.invalidateQueries({ queryKey: ["crawls", site] }),
      queries.invalidateQueries({ queryKey: ["sites"] }),
    ]);
  const path = (crawl: number) => ({ params: { path: { crawl } } });
  const keep = useMutation({
    mutationFn: ({ id, kept }: { id: number; kept: boolean }) =>
      data(api.PATCH("/crawls/{crawl}", { ...path(id), body: { kept } })),
    onSettled,
  });
  const remove = useMutation({
    mutationFn: (id: number) => data(api.DELETE("/crawls/{crawl}", path(id))),
    onSettled,
  });
  const back = useMutation({
    mutationFn: (id: number) => data(api.POST("/crawls/{crawl}/back", path(id))),
    onSettled,
  });
  return {
    keep,
    remove,
    back,
    busy: keep.isPending || remove.isPending || back.isPending,
    error: keep.error ?? remove.error ?? back.error,
  };
}
