import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ApiError, api, type Crawl, data } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { day } from "../../../kit/format";
import { Empty, Failed, Loading } from "../../../kit/Notice";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { FaultChanges } from "./FaultChanges";
import { Moves } from "./Moves";

/** Two crawls of the site: what rose and fell on the ladder, came and went, and what became of the faults. */
export default function Compare() {
  const { crawl, crawls, loading, error } = useCurrent();
  const { search, change } = useAddress();
  const earlier = (crawls.data ?? []).filter(
    (one) => crawl && one.state === "finished" && one.scope === "whole" && one.number < crawl.number,
  );
  const chosen = earlier.find((one) => String(one.id) === search.get("with")) ?? earlier[0];
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the crawls" />;
  if (!crawl || !chosen)
    return (
      <>
        <Title>Compare</Title>
        <Empty title="Nothing to compare yet">
          Two crawls of the whole site are needed: crawl it again after something was changed, and see here what became
          of it.
        </Empty>
      </>
    );
  return (
    <Box sx={{ px: 2.5, py: 1.5 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1.5, mb: 2 }}>
        <Typography variant="h1" sx={{ whiteSpace: "nowrap" }}>
          What changed
        </Typography>
        <Typography sx={{ color: "text.secondary", whiteSpace: "nowrap" }}>
          Crawl {crawl.number} of {day(crawl.created_at)} against
        </Typography>
        <TextField
          select
          variant="standard"
          size="small"
          sx={{ width: "auto" }}
          value={chosen.id}
          onChange={(event) => change({ with: event.target.value })}
          slotProps={{ htmlInput: { "aria-label": "The earlier crawl" } }}
        >
          {earlier.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              crawl {one.number} of {day(one.created_at)}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <Comparison newer={crawl} earlier={chosen} />
    </Box>
  );
}

function Comparison({ newer, earlier }: { newer: Crawl; earlier: Crawl }) {
  const params = { path: { crawl: newer.id }, query: { with: earlier.id } };
  const compared = useQuery({
    queryKey: ["compare", newer.id, newer.run, earlier.id, earlier.run],
    queryFn: () => data(api.GET("/crawls/{crawl}/compare", { params })),
    retry: false,
  });
  if (compared.error instanceof ApiError && compared.error.status === 409)
    return <JudgeAgain earlier={earlier} reason={compared.error.message} />;
  if (compared.error) return <Failed error={compared.error} retry={() => compared.refetch()} />;
  if (!compared.data) return <Loading what="both crawls" />;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 1fr) minmax(0, 1fr)" },
        columnGap: 4,
        rowGap: 2,
      }}
    >
      <Moves newer={newer.id} earlier={earlier.id} compared={compared.data} />
      <FaultChanges faults={compared.data.faults} />
    </Box>
  );
}

/** The earlier crawl was judged by other rules: one button has it judged by these. */
function JudgeAgain({ earlier, reason }: { earlier: Crawl; reason: string }) {
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: () => data(api.POST("/crawls/{crawl}/judge", { params: { path: { crawl: earlier.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["crawls", earlier.site_id] }),
  });
  const judging = again.isPending || earlier.judged_again;
  return (
    <Empty
      title="The two can't be compared as they stand"
      action={
        <Button variant="contained" disabled={judging} onClick={() => again.mutate()}>
          {judging ? `Judging crawl ${earlier.number} again …` : `Judge crawl ${earlier.number} again`}
        </Button>
      }
    >
      {again.error?.message ?? reason}
    </Empty>
  );
}
