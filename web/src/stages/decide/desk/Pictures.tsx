import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { bytes, counted } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Quiet } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import type { DeskWork, Sheet } from "./useDeskPage";

type Picture = Sheet["pictures"][number];
const COLUMNS = ["Picture", "Alt text", "Weight", "Shown", "Drawn", "Used on", "In searches", "Text in it"];

/** The pictures of the page: what each weighs and shows, and how it could be described by what stands around it. */
export function Pictures({ sheet, work }: { sheet: Sheet; work: DeskWork }) {
  if (sheet.pictures.length === 0) return null;
  return (
    <Part title="Pictures" level="h2">
      <Roomy label="Pictures" columns={COLUMNS}>
        {sheet.pictures.map((one) => (
          <tr key={one.url}>
            <td style={{ overflowWrap: "anywhere" }}>
              <Box sx={{ display: "flow-root" }}>
                <Preview of={work.previews.get(one.url)} />
                {one.url.split("/").pop()}
                {one.proposed_name && <Quiet small>says nothing; could be {one.proposed_name}</Quiet>}
              </Box>
            </td>
            <td>
              {one.alt ?? "none"}
              {one.proposed_alt && (
                <Button
                  size="small"
                  sx={{ py: 0 }}
                  onClick={() => work.write({ alts: { ...work.draft.alts, [one.url]: one.proposed_alt ?? "" } })}
                >
                  Draft “{one.proposed_alt}”
                </Button>
              )}
            </td>
            <td>{one.bytes === null ? "–" : bytes(one.bytes)}</td>
            <td>{size(one.shown)}</td>
            <td>
              {size(one.drawn)}
              {larger(one) && <Quiet small>more than twice what is shown</Quiet>}
            </td>
            <td>{counted(one.used_by, "page")}</td>
            <td>{one.found ? inSearches(one.found) : "–"}</td>
            <td>{one.text === null ? (one.drawn ? "can’t be read" : "not fetched yet") : one.text || "none"}</td>
          </tr>
        ))}
      </Roomy>
    </Part>
  );
}

/** Its name stands beside it, and the row on the line of the name. */
const Preview = ({ of }: { of: string | undefined }) => (
  <Box sx={{ float: "left", width: 56, height: 56, mr: 1.5, border: 1, borderColor: "divider" }}>
    {of && <img src={of} alt="" style={{ width: "100%", height: "100%", objectFit: "contain" }} />}
  </Box>
);

const size = (pair: Picture["shown"]) => (pair ? `${pair[0]} × ${pair[1]}` : "–");

/** Where searches show it, and how often it was clicked. */
const inSearches = ({ clicks, impressions, position }: NonNullable<Picture["found"]>) => (
  <>
    {position === null ? counted(impressions, "time shown", "times shown") : `place ${position.toFixed(1)}`}
    <Quiet small>{counted(clicks ?? 0, "click")}</Quiet>
  </>
);

const larger = ({ shown, drawn }: Picture) => Boolean(shown?.[0] && drawn?.[0] && drawn[0] > 2 * shown[0]);
