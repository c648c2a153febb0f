import Box from "@mui/material/Box";
import visuallyHidden from "@mui/utils/visuallyHidden";
import type { KeyboardEvent } from "react";
import type { Bar } from "./useLanes";

type Props = {
  bar: Bar;
  zoom: number;
  most: number;
  related: boolean;
  focused: boolean;
  setFocus: (id: string | undefined) => void;
  keys: (event: KeyboardEvent) => void;
  open: (id: string) => void;
};

const NARROWEST = 5;
const ROOM_FOR_WORDS = 72;
const ROOM_FOR_ID = 30;

/** A fix as long as its hours; the green at its foot is what it frees, against the best one. */
export function BarView({ bar, zoom, most, related, focused, setFocus, keys, open }: Props) {
  const width = Math.max(NARROWEST, (bar.end - bar.begin) * zoom - 2);
  const tone = bar.late ? "rust" : related ? "verdigris" : "iron";
  return (
    <Box
      component="button"
      type="button"
      draggable
      onDragStart={(event) => event.dataTransfer.setData("text/plain", bar.id)}
      onFocus={() => setFocus(bar.id)}
      onMouseEnter={() => setFocus(bar.id)}
      onKeyDown={keys}
      onClick={() => open(bar.id)}
      title={[`${bar.id} ${bar.title}`, ...(bar.locked ? ["locked"] : []), ...(bar.late ? ["late"] : [])].join(", ")}
      style={{ left: bar.begin * zoom, width }}
      sx={{
        position: "absolute",
        top: 6,
        height: 50,
        p: 0,
        overflow: "hidden",
        textAlign: "left",
        font: "inherit",
        fontSize: 12,
        color: "text.primary",
        bgcolor: "background.paper",
        border: related || focused ? 2.5 : 1.5,
        borderColor: tone,
        borderStyle: bar.state === "handed over" ? "double" : "solid",
        cursor: "grab",
        zIndex: focused ? 2 : 1,
      }}
    >
      {width >= ROOM_FOR_WORDS && (
        <Box sx={{ px: 0.75, pt: 0.25, lineHeight: 1.35, whiteSpace: "nowrap" }}>
          <Box sx={{ fontWeight: 600, overflow: "hidden", textOverflow: "ellipsis" }}>{bar.title}</Box>
          <Box sx={{ color: "text.secondary", overflow: "hidden", textOverflow: "ellipsis" }}>
            {bar.hours} h, frees {Math.round(bar.benefit)}
          </Box>
        </Box>
      )}
      {width >= ROOM_FOR_ID && width < ROOM_FOR_WORDS && (
        <Box aria-hidden sx={{ pl: 0.5, pt: 0.25, color: "text.secondary" }}>
          {bar.id}
        </Box>
      )}
      <span style={visuallyHidden}>
        {width < ROOM_FOR_WORDS && `${bar.id} ${bar.title}, ${bar.hours} h`}, {bar.start} to {bar.finish}
        {bar.locked && ", locked"}
        {bar.late && ", late"}
      </span>
      <Box
        sx={{
          position: "absolute",
          bottom: 0,
          left: 0,
          height: 7,
          bgcolor: "moss",
        }}
        style={{ width: `${100 * Math.sqrt(bar.benefit / most)}%` }}
      />
      {bar.locked && (
        <Box
          aria-hidden
          sx={{ position: "absolute", top: 3, right: 3, width: 7, height: 7, borderRadius: "50%", bgcolor: tone }}
        />
      )}
    </Box>
  );
}
