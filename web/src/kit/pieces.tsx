import Box, { type BoxProps } from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import type { ElementType } from "react";
import { MONO } from "../theme";

type Distance = number | "auto";
/** Room around a piece, as MUI counts it: in steps of eight pixels. */
type Around = Partial<
  Record<"m" | "mt" | "mb" | "ml" | "mr" | "mx" | "my" | "p" | "px" | "py" | "pt" | "pb" | "pl" | "pr", Distance>
>;
type Props = Omit<BoxProps, "sx" | keyof Around> & { component?: ElementType };
type Spaced = Props & Around;

/** Parts what is around a piece from all else that it takes. */
function parted({ m, mt, mb, ml, mr, mx, my, p, px, py, pt, pb, pl, pr, ...rest }: Spaced) {
  return { around: { m, mt, mb, ml, mr, mx, my, p, px, py, pt, pb, pl, pr }, rest };
}

/** Stands apart from what is around it. */
export function Apart(props: Spaced) {
  const { around, rest } = parted(props);
  return <Box {...rest} sx={around} />;
}

/** Parts side by side, in the middle of the row unless they are aligned otherwise. */
export function Inline({
  gap = 1,
  align = "center",
  wrap = false,
  between = false,
  ...props
}: Spaced & {
  gap?: number;
  align?: "center" | "baseline" | "stretch" | "start" | "end";
  wrap?: boolean;
  between?: boolean;
}) {
  const { around, rest } = parted(props);
  const justifyContent = between ? "space-between" : undefined;
  return (
    <Stack
      component="div"
      direction="row"
      spacing={gap}
      {...rest}
      sx={{ alignItems: align, flexWrap: wrap ? "wrap" : undefined, justifyContent, ...around }}
    />
  );
}

/**
 * Parts in columns as wide as `of` says; `across` is the room between columns alone, and a line is under ruled ones.
 */
export function Columns({
  of,
  gap,
  across,
  align,
  start = false,
  ruled = false,
  ...props
}: Spaced & {
  of: string;
  gap?: number;
  across?: number;
  align?: "center" | "baseline" | "stretch" | "start" | "end";
  start?: boolean;
  ruled?: boolean;
}) {
  const { around, rest } = parted(props);
  return (
    <Box
      {...rest}
      sx={{
        display: "grid",
        gridTemplateColumns: of,
        gap,
        columnGap: across,
        alignItems: align,
        alignContent: start ? "start" : undefined,
        borderBottom: ruled ? 1 : undefined,
        borderColor: ruled ? "divider" : undefined,
        ...around,
      }}
    />
  );
}

/** All of a screen, one part under the other, of which one takes the room that is left. */
export const Filled = (props: Props) => (
  <Box {...props} sx={{ height: "100%", display: "flex", flexDirection: "column" }} />
);

/** May be narrower than what is in it, which is then cut off. */
export function Clipped(props: Spaced) {
  const { around, rest } = parted(props);
  return <Box {...rest} sx={{ minWidth: 0, overflow: "hidden", ...around }} />;
}

/** All of a screen, parted into rows. */
export const Whole = ({ rows, ...rest }: Props & { rows: string }) => (
  <Box {...rest} sx={{ height: "100%", display: "grid", gridTemplateRows: rows }} />
);

/** Text of one colour. */
function toned(color: string) {
  return function Toned({ small = false, ...props }: Spaced & { small?: boolean }) {
    const { around, rest } = parted(props);
    return <Box {...rest} sx={{ color, fontSize: small ? 12 : undefined, ...around }} />;
  };
}

/** What matters less than what stands beside it. */
export const Quiet = toned("text.secondary");

/** What is wrong, or won't go well. */
export const Wrong = toned("rust");

/**
 * What stands in a file, an answer or an address, sign by sign; where it may be broken anywhere, it never runs over.
 */
export function Mono({ size, anywhere = false, ...props }: Spaced & { size?: number; anywhere?: boolean }) {
  const { around, rest } = parted(props);
  const overflowWrap = anywhere ? "anywhere" : undefined;
  return <Box {...rest} sx={{ fontFamily: MONO, fontSize: size, overflowWrap, ...around }} />;
}

/** One line, cut off where there is no room. */
export function CutOff({ quiet = false, ...props }: Spaced & { quiet?: boolean }) {
  const { around, rest } = parted(props);
  return <Box {...rest} sx={{ ...ONE_LINE, color: quiet ? "text.secondary" : undefined, ...around }} />;
}

const ONE_LINE = { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" } as const;

/** What stands where a list would, if it had anything in it. */
export const NoRows = (props: Props) => <Box {...props} sx={{ p: 4, color: "text.secondary" }} />;

/** A list without signs and margins, whose entries say by themselves where each begins. */
export const PlainList = (props: Props) => <Box component="ul" {...props} sx={{ listStyle: "none", m: 0, p: 0 }} />;

/** A screen with room around what it shows. */
export const Room = (props: Props) => <Box {...props} sx={{ px: 2.5, py: 1.5 }} />;

/** A part of a screen that scrolls by itself. */
export const Scroll = (props: Props) => (
  <Box {...props} sx={{ overflow: "auto", px: 2.5, maxHeight: "100%", position: "relative" }} />
);

/** Parts one under the other. */
export const Column = (props: Props) => <Stack component="div" spacing={3} {...props} />;

/** Takes the room that is left in a row. */
export const Spacer = () => <Box sx={{ flex: 1 }} />;

/** May be narrower than what is in it. */
export const Narrow = (props: Props) => <Box {...props} sx={{ minWidth: 0 }} />;

/** Figures, which are read from the right. */
export const Figure = (props: Props) => <Box {...props} sx={{ textAlign: "right" }} />;
