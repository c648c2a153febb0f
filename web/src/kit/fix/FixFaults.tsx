import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { count, counted, day } from "../format";
import { Part } from "../parts";
import { Plain } from "../Plain";
import { Inline, Quiet } from "../pieces";
import { SiteUrl } from "../SiteUrl";
import { useRules } from "../useRules";
import type { Fix, FixWork } from "./useFix";

const MOST = 200;
/** What a URL counts by its gravest grade. */
const WEIGHTS = { stops: 1, diverts: 0.6, weakens: 0.2 };
/** Whether a fault is the first of its URL: what a URL is worth counts once. */
const firstOf = (fix: Fix, place: number) =>
  fix.faults.findIndex((one) => one.url === fix.faults[place]?.url) === place;
const FLUID = new Set<Fix["state"]>(["open", "planned"]);

/** What it clears, what each URL is worth in it; some of it can be left, or put into a fix of its own. */
export function FixFaults({ fix, work }: { fix: Fix; work: FixWork }) {
  const { title } = useRules();
  const [chosen, setChosen] = useState<number[]>([]);
  const [why, setWhy] = useState("");
  const [until, setUntil] = useState("");
  const worth = new Map(fix.urls.map((one) => [one.url, one.importance * WEIGHTS[one.grade] * one.share]));
  const faults = chosen.flatMap((place) => fix.faults[place] ?? []);
  const urls = [...new Set(faults.flatMap((one) => one.url ?? []))];
  const done = { onSuccess: () => setChosen([]) };
  if (fix.faults.length === 0 && fix.urls.length === 0) return null;
  return (
    <Part
      title={`What it clears: ${counted(fix.faults.length, "fault")} of ${counted(fix.urls.length, "URL")}`}
      level="h2"
    >
      {chosen.length > 0 && (
        <Inline py={0.5}>
          <TextField
            label="Why it is left"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
            sx={{ width: 220 }}
          />
          <TextField
            type="date"
            label="Until"
            value={until}
            onChange={(event) => setUntil(event.target.value)}
            sx={{ width: 150 }}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button
            disabled={why.trim() === "" || work.setAside.isPending}
            onClick={() => work.setAside.mutate({ faults, why, until: until || null }, done)}
          >
            Leave {chosen.length}
          </Button>
          <Button disabled={urls.length === 0 || work.split.isPending} onClick={() => work.split.mutate(urls, done)}>
            A fix of its own for {counted(urls.length, "URL")}
          </Button>
        </Inline>
      )}
      <Plain
        label="Faults"
        columns={[
          { name: "Pick", width: 40 },
          { name: "Fault", width: "32%" },
          { name: "URL" },
          { name: "About", width: "26%" },
          { name: "Frees", width: 56, right: true },
        ]}
      >
        {fix.faults.slice(0, MOST).map((fault, place) => (
          <tr key={place}>
            <td>
              <Checkbox
                size="small"
                sx={{ p: 0 }}
                disabled={!FLUID.has(fix.state)}
                checked={chosen.includes(place)}
                onChange={(_, on) => setChosen(on ? [...chosen, place] : chosen.filter((one) => one !== place))}
                slotProps={{ input: { "aria-label": `Choose ${title(fault.code)}, ${fault.url ?? ""}` } }}
              />
            </td>
            <td title={title(fault.code)}>{title(fault.code)}</td>
            <td>{fault.url && <SiteUrl url={fault.url} />}</td>
            <td title={fault.about ?? ""}>{fault.about}</td>
            <td className="number">{fault.url && firstOf(fix, place) && worth.get(fault.url)?.toFixed(1)}</td>
          </tr>
        ))}
      </Plain>
      {fix.faults.length > MOST && <Quiet small>and {count(fix.faults.length - MOST)} more</Quiet>}
      {fix.settles.length > 0 && (
        <Quiet small>
          Settled by it, with no work of its own: {counted(fix.settles.length, "fault")} (
          {[...new Set(fix.settles.map((one) => title(one.code)))].join(", ")})
        </Quiet>
      )}
      {fix.set_aside.map((one, place) => (
        <Quiet key={place} small>
          Left: {title(one.code)}, {one.url}: {one.why}
          {one.until && `, until ${day(one.until)}`}
        </Quiet>
      ))}
    </Part>
  );
}
