import Box, { type BoxProps } from "@mui/material/Box";
import type { ElementType } from "react";

type Props = Omit<BoxProps, "sx"> & { component?: ElementType };

/** What matters less than what stands beside it. */
export const Quiet = ({ small = false, ...rest }: Props & { small?: boolean }) => (
  <Box {...rest} sx={{ color: "text.secondary", fontSize: small ? 12 : undefined }} />
);

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
export const Column = (props: Props) => <Box {...props} sx={{ display: "grid", gap: 3, alignContent: "start" }} />;

/** Takes the room that is left in a row. */
export const Spring = () => <Box sx={{ flex: 1 }} />;

/** May be narrower than what is in it. */
export const Narrow = (props: Props) => <Box {...props} sx={{ minWidth: 0 }} />;

/** Figures, which are read from the right. */
export const Figure = (props: Props) => <Box {...props} sx={{ textAlign: "right" }} />;
