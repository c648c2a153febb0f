import Alert from "@mui/material/Alert";
import { useState } from "react";
import { BringFile } from "../../../kit/BringFile";
import { counted, day } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { PlainList, Quiet } from "../../../kit/pieces";
import { BringLog } from "./BringLog";
import { BringRow } from "./BringRow";
import { MappingForm } from "./MappingForm";
import { type Kind, type EvidenceData, useBrought } from "./useEvidence";

/** What is worth bringing and why, with one button each. */
export function Bring({ site, evidence }: { site: number; evidence: EvidenceData }) {
  const brought = useBrought(site);
  const [kind, setKind] = useState<Kind | null>(null);
  const choose = (chosen: Kind, file: File) => {
    setKind(chosen);
    brought.mutate(file);
  };
  return (
    <Part title="Bring a file" level="h2">
      <PlainList aria-label="Kinds of files">
        {evidence.kinds.map((one) => (
          <BringRow
            key={one.code}
            title={one.label}
            button={
              <BringFile
                label={`Bring ${one.code}`}
                accept=".csv,.tsv,.txt,.xlsx"
                disabled={brought.isPending}
                read={(file) => choose(one, file)}
              />
            }
          >
            <Quiet>
              {one.why} {one.newest && `Newest: ${day(one.newest.day)}.`}
            </Quiet>
          </BringRow>
        ))}
        <BringLog site={site} />
      </PlainList>
      {brought.error && <Alert severity="error">{brought.error.message}</Alert>}
      {brought.data?.problem && <Alert severity="error">{brought.data.problem}</Alert>}
      {kind && brought.data && !brought.data.problem && (
        <MappingForm
          key={brought.data.file}
          site={site}
          kind={kind}
          file={brought.data}
          indexes={evidence.indexes}
          close={() => {
            setKind(null);
            brought.reset();
          }}
        />
      )}
      {brought.isPending && <Quiet role="status">Reading the beginning of {counted(1, "file")} …</Quiet>}
    </Part>
  );
}
