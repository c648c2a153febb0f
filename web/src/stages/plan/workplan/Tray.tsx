import Box from "@mui/material/Box";
import { Fragment } from "react";
import { count, day } from "../../../kit/format";
import { PlainList, Quiet } from "../../../kit/pieces";
import type { TrayFix } from "./useLanes";

type Props = { fixes: TrayFix[]; total: number; open: (id: string) => void };

/** What has no day yet, what frees most in an hour first. */
export function Tray({ fixes, total, open }: Props) {
  return (
    <Box
      component="section"
      aria-label="Not laid out"
      tabIndex={0}
      sx={{
        overflow: "hidden auto",
        px: 1.5,
        py: 1,
        bgcolor: "background.paper",
        borderRight: 1,
        borderColor: "divider",
      }}
    >
      <Box sx={{ fontWeight: 600, mb: 0.75 }}>Not laid out: {count(total)}</Box>
      <PlainList>
        {fixes.map((fix) => (
          <li key={fix.id}>
            <Box
              component="button"
              type="button"
              draggable
              onDragStart={(event) => event.dataTransfer.setData("text/plain", fix.id)}
              onClick={() => open(fix.id)}
              sx={CARD}
            >
              <Box sx={{ fontWeight: 600 }}>{breakable(fix.title)}</Box>
              <Quiet small>
                {fix.id}, {fix.hours} h, frees {fix.benefit.toFixed(1)}
                {fix.deadline && `, by ${day(fix.deadline)}`}
              </Quiet>
            </Box>
          </li>
        ))}
      </PlainList>
      {total > fixes.length && <Quiet small>and {count(total - fixes.length)} more in the list</Quiet>}
    </Box>
  );
}

/** Addresses are broken after a slash rather than in a word. */
const breakable = (title: string) =>
  title.split(/(?<=\/)/).map((part, index) => (
    <Fragment key={index}>
      {index > 0 && <wbr />}
      {part}
    </Fragment>
  ));

const CARD = {
  display: "block",
  width: "100%",
  textAlign: "left",
  font: "inherit",
  fontSize: 12.5,
  color: "text.primary",
  bgcolor: "background.default",
  border: 1,
  borderColor: "divider",
  px: 1,
  py: 0.5,
  mb: 0.5,
  cursor: "grab",
  overflowWrap: "anywhere",
} as const;
