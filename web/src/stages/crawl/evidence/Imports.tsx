import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { api, data, type Schemas } from "../../../api/client";
import { count, day, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Figure, Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { useSourceChange } from "./useEvidence";

type One = Schemas["BroughtImport"];

/** What was brought, the newest first, and taking it back. */
export function Imports({ site, imports }: { site: number; imports: One[] }) {
  const undo = useSourceChange((id: number) =>
    data(api.POST("/sites/{site}/evidence/imports/{import}/undo", { params: { path: { site, import: id } } })),
  );
  if (imports.length === 0) return null;
  return (
    <Part title="What was brought" level="h2">
      <Roomy
        label="What was brought"
        columns={["Of", "What", "From", "Rows", "New or corrected", "Not usable", "Brought", "Undo"]}
      >
        {imports.map((one) => (
          <Box component="tr" key={one.id} sx={{ opacity: one.undone_at ? 0.6 : 1 }}>
            <td>{one.date ? day(one.date) : "–"}</td>
            <td>
              {one.kind}
              {one.whole === false && <Quiet component="span"> (a sample)</Quiet>}
            </td>
            <td>{one.name}</td>
            <td>
              <Figure component="span">{count(one.rows ?? 0)}</Figure>
            </td>
            <td>{one.kept === undefined ? "–" : count((one.kept ?? 0) + (one.replaced ?? 0))}</td>
            <td>
              {one.wrong_count ? (
                <a href={`/api/sites/${site}/evidence/imports/${one.id}/wrong.csv`}>{count(one.wrong_count)}</a>
              ) : (
                "–"
              )}
            </td>
            <td>
              {moment(one.made_at)} {one.made_by && `by ${one.made_by}`}
            </td>
            <td>
              {one.undone_at ? (
                <Quiet component="span">taken back by {one.undone_by}</Quiet>
              ) : (
                <Button size="small" onClick={() => undo.mutate(one.id)} disabled={undo.isPending}>
                  Take back
                </Button>
              )}
            </td>
          </Box>
        ))}
      </Roomy>
    </Part>
  );
}
