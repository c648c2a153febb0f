import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { BringFile } from "../../../kit/BringFile";
import { counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Apart, Inline, Quiet, Scroll } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { Unready } from "../../../kit/Unready";
import { type BusinessFacts as Told, type Fact, useBusinessFacts } from "./useBusinessFacts";

const NAMES: Record<Fact, string> = { name: "Name", address: "Address", telephone: "Telephone", web: "Web address" };
const STATES: Record<string, string> = {
  right: "as chosen",
  otherwise: "the same, written otherwise",
  wrong: "another",
  missing: "missing",
};

/** How the business is written on its pages and in lists elsewhere, and in which one form it shall be. */
export function BusinessFacts({ site }: { site: number }) {
  const work = useBusinessFacts(site);
  if (work.facts.state !== "ready") return <Unready screen={work.facts} />;
  const told = work.facts.data;
  const error = [work.choose, work.bring, work.fix].find((one) => one.error)?.error;
  return (
    <Scroll tabIndex={0} role="region" aria-label="Business facts">
      {error && <Alert severity="error">{error.message}</Alert>}
      {work.fix.data && (
        <Alert severity="success" variant="outlined">
          {work.fix.data.id} is made: it stands under Plan, Workplan.
        </Alert>
      )}
      <Inline gap={1.5} wrap mb={2}>
        <Quiet component="span">
          By structured data of {counted(told.pages.length, "page")}, and {counted(told.listings.length, "list")}{" "}
          elsewhere.
        </Quiet>
        <TextField
          key={told.country}
          label="Country of numbers"
          placeholder="GB"
          defaultValue={told.country ?? ""}
          onBlur={(event) => work.choose.mutate({ chosen: told.chosen, country: event.target.value || null })}
          sx={{ width: 150 }}
        />
        <BringFile label="Bring lists elsewhere (CSV)" accept=".csv" read={(file) => work.bring.mutate(file)} />
        {told.listings.length > 0 && (
          <Button component="a" href={`/api/sites/${site}/business-facts/to-correct.csv`} download>
            What they have to correct
          </Button>
        )}
        <Button variant="outlined" disabled={work.fix.isPending} onClick={() => work.fix.mutate()}>
          Make a fix for the pages
        </Button>
      </Inline>
      {told.facts.map((fact) => (
        <OneFact
          key={fact.fact}
          fact={fact}
          told={told}
          choose={(chosen) => work.choose.mutate({ chosen, country: told.country })}
        />
      ))}
      {told.listings.length > 0 && (
        <Part title="Lists elsewhere" level="h2">
          <Roomy label="Lists elsewhere" columns={["List", ...Object.values(NAMES)]}>
            {told.listings.map((one) => (
              <tr key={one.source}>
                <td style={{ overflowWrap: "anywhere" }}>{one.source}</td>
                {(Object.keys(NAMES) as Fact[]).map((fact) => (
                  <td key={fact}>
                    {one[fact] ?? "–"}
                    <Quiet small>{STATES[one.states[fact] ?? "missing"]}</Quiet>
                  </td>
                ))}
              </tr>
            ))}
          </Roomy>
        </Part>
      )}
    </Scroll>
  );
}

type OneProps = { fact: Told["facts"][number]; told: Told; choose: (chosen: Record<string, string>) => void };

function OneFact({ fact, told, choose }: OneProps) {
  return (
    <Apart mb={2}>
      <Part title={NAMES[fact.fact]} level="h2">
        <Quiet small>
          {fact.right} as chosen, {fact.otherwise} written otherwise, {fact.wrong} another, {fact.missing} missing
        </Quiet>
        {fact.writings.length > 0 && (
          <Roomy label={NAMES[fact.fact]} columns={["Written", "Where", "That is", ""]}>
            {fact.writings.map((one) => (
              <tr key={one.writing}>
                <td>{one.writing}</td>
                <td title={one.samples.join("\n")}>{counted(one.sources, "place")}</td>
                <td>{STATES[one.state]}</td>
                <td>
                  {told.chosen[fact.fact] !== one.writing && (
                    <Button
                      size="small"
                      sx={{ py: 0 }}
                      aria-label={`Choose ${one.writing}`}
                      onClick={() => choose({ ...told.chosen, [fact.fact]: one.writing })}
                    >
                      Choose this form
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </Roomy>
        )}
      </Part>
    </Apart>
  );
}
