import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { count, counted } from "../../../kit/format";
import { Inline, Quiet, Spacer } from "../../../kit/pieces";
import { ClassChoice } from "./ClassChoice";
import type { LeftOut, LeftOutList } from "./useStanding";

type Props = { list: LeftOutList; tray: LeftOutList["trays"][number]; left: LeftOut };

/** What can be done with the chosen ones of a class, or with all that nothing was done about yet. */
export function Chosen({ list, tray, left }: Props) {
  const { chosen, choose, put, accept } = left;
  const waiting = tray.urls - tray.accepted;
  const shown = list.rows.filter((row) => row.accepted_by === null).map((row) => row.url_id);
  const which = chosen.length > 0 ? { urls: chosen } : { class: tray.class ?? "" };
  const many = chosen.length > 0 ? `the ${count(chosen.length)} chosen` : `all ${count(waiting)}`;
  return (
    <Inline gap={1.5} py={1}>
      <Checkbox
        size="small"
        sx={{ p: 0, pl: 0.75 }}
        disabled={shown.length === 0}
        checked={shown.length > 0 && shown.every((one) => chosen.includes(one))}
        indeterminate={chosen.length > 0 && chosen.length < shown.length}
        onChange={(_, on) => choose(shown, on)}
        slotProps={{ input: { "aria-label": "Choose all that are shown" } }}
      />
      <strong>{tray.label}</strong>
      <Quiet component="span">
        {counted(tray.urls, "URL")}, {count(tray.accepted)} dealt with
      </Quiet>
      <Spacer />
      {waiting > 0 && tray.class !== null && (
        <>
          <ClassChoice
            list={list}
            label={`Put ${many} into another class`}
            value=""
            empty={`Put ${many} into …`}
            choose={(to) => put.mutate({ ...which, to })}
          />
          <Button variant="outlined" onClick={() => accept.mutate(which)} disabled={accept.isPending}>
            {tray.act}: {many}
          </Button>
        </>
      )}
    </Inline>
  );
}
