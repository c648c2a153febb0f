import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { SxProps } from "@mui/material/styles";

/** One of several readings of the same data. */
export type Toggle<Name extends string> = { name: Name; label: string; title?: string };

type Props<Name extends string> = {
  choices: Toggle<Name>[];
  value: Name;
  choose: (name: Name) => void;
  sx?: SxProps;
  choiceSx: { py?: number; px?: number };
};

/** A row of choices of which one always holds. */
export function Toggles<Name extends string>({ choices, value, choose, sx, choiceSx }: Props<Name>) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, chosen: Name | null) => chosen && choose(chosen)}
      sx={sx}
    >
      {choices.map((one) => (
        <ToggleButton
          key={one.name}
          value={one.name}
          title={one.title}
          sx={{
            ...choiceSx,
            color: "text.primary",
            "&.Mui-selected, &.Mui-selected:hover": { bgcolor: "iron", color: "background.paper" },
          }}
        >
          {one.label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
