/** A screen with a column at its right for what is done with what stands at its left. */
export const WITH_ASIDE = {
  display: "grid",
  gridTemplateColumns: "minmax(0, 1fr) 340px",
  columnGap: 3,
  px: 2.5,
  overflow: "auto",
  alignContent: "start",
} as const;
