import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { counted } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { useCurrent } from "../../../kit/useCurrent";
import { NothingYet } from "../../../kit/NothingYet";
import { Cause, Headings } from "./Cause";

export type FaultSum = Schemas["FaultSum"];

/** What is wrong, by cause, the heaviest first; the open one says where to mend it. */
export default function Faults() {
  const { crawl, loading, error } = useCurrent();
  const { search, change } = useAddress();
  const judged = crawl?.state === "finished" ? crawl.id : undefined;
  const faults = useQuery({
    queryKey: ["faults", judged],
    queryFn: () => data(api.GET("/crawls/{crawl}/faults", { params: { path: { crawl: judged ?? 0 } } })),
    enabled: judged !== undefined,
  });
  if (error ?? faults.error)
    return <Failed error={error ?? faults.error ?? new Error()} retry={() => faults.refetch()} />;
  if (loading || (judged !== undefined && !faults.data)) return <Loading what="the faults" />;
  if (judged === undefined || !faults.data) return <NothingYet>Faults are found once a crawl is finished.</NothingYet>;

  const { rules } = faults.data;
  const heaviest = rules[0]?.weight ?? 0;
  const open = search.get("code");
  return (
    <Box sx={{ px: 2.5, py: 1.5 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 2, mb: 1 }}>
        <Typography variant="h1">What is wrong, by cause</Typography>
        <Typography sx={{ color: "text.secondary" }}>{headline(rules)}</Typography>
      </Box>
      <Headings rules={rules} />
      <Box component="ol" aria-label="Causes" sx={{ listStyle: "none", m: 0, p: 0, borderTop: 2, borderColor: "iron" }}>
        {rules.map((rule) => (
          <Cause
            key={rule.code}
            crawl={judged}
            rule={rule}
            heaviest={heaviest}
            open={rule.code === open}
            flip={() => change({ code: rule.code === open ? undefined : rule.code }, true)}
          />
        ))}
      </Box>
    </Box>
  );
}

function headline(rules: FaultSum[]) {
  if (rules.length === 0) return "No rule found a fault.";
  const templates = rules.filter((rule) => rule.groups.some((group) => group.template)).length;
  return [
    counted(rules.length, "cause"),
    `${counted(rules.filter((rule) => rule.grade === "stops").length, "stops", "stop")} pages`,
    templates > 0 && `${counted(templates, "comes", "come")} from a template`,
  ]
    .filter(Boolean)
    .join(" · ");
}
