/**
 * Where a position lies on a rule from 1 to 100, in percent: the first places are farther apart, as they matter more.
 */
export const placeOf = (position: number) => (Math.log10(Math.min(100, Math.max(1, position))) / 2) * 100;
