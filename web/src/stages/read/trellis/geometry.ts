import type { Trellis } from "../../../api/client";

/** Measures of the drawing, in its own units (1240 wide). */
export const WIDTH = 1240;
export const NAMES = 176;
export const FIRST = 268;
export const LAST = 1096;
export const HEAD = 44;
export const ROW = 52;
const THICKEST = 20;
const THINNEST = 1.6;
const TIP = 34;

/** Where the upright of a rung stands. */
export const uprightAt = (index: number) => FIRST + (index * (LAST - FIRST)) / 7;

/** How thick a vine of so many pages is: by the square root, so that small groups stay visible. */
export function thickness(pages: number, most: number) {
  return pages === 0 ? 0 : Math.max(THINNEST, THICKEST * Math.sqrt(pages / Math.max(1, most)));
}

/** Pages of a group that are still climbing before each rung, and after the last one. */
export function climbing(group: Trellis["groups"][number], rungs: Trellis["rungs"]) {
  const left = [group.pages];
  for (const rung of rungs) left.push((left[left.length - 1] ?? 0) - (group.stops[rung.name] ?? 0));
  return left;
}

/**
 * The outline of a vine along y, narrowing after each judged rung. It sways a little, each row in its own way, and ends
 * behind the last rung that was judged.
 */
export function vine(left: number[], judged: number, y: number, most: number, row: number) {
  const end = judged === 8 ? WIDTH - 60 : uprightAt(judged - 1) + 40;
  const xs: number[] = [];
  for (let x = NAMES; x <= end; x += 12) xs.push(x);
  const half = (x: number) => {
    const index = Math.min(judged, Math.max(0, Math.floor((x - FIRST) / ((LAST - FIRST) / 7)) + 1));
    const before = thickness(left[Math.max(0, index - 1)] ?? 0, most);
    const now = thickness(left[index] ?? 0, most);
    const since = index === 0 ? 1 : Math.min(1, (x - uprightAt(index - 1)) / 36);
    const width = before + (now - before) * since;
    // Where not every rung could be judged, the vine runs out into a tip.
    return (judged === 8 ? width : width * Math.min(1, (end - x + 2) / TIP)) / 2;
  };
  const middle = (x: number) => sway(x, y, row);
  const top = xs.map((x) => `${x} ${round(middle(x) - half(x))}`);
  const bottom = [...xs].reverse().map((x) => `${x} ${round(middle(x) + half(x))}`);
  return `M${top.join("L")}L${bottom.join("L")}Z`;
}

/** The middle of a row's vine at x. */
export const sway = (x: number, y: number, row: number) => y + 3 * Math.sin(x / 95 + row * 1.7);

/**
 * The stem of a drop: it leaves the vine's lower edge before the upright, as thick as what stops, and hangs down behind
 * it.
 */
export function stem(x: number, edge: number, width: number, toY: number) {
  const from = x - 30;
  const tip = x + 12;
  const low = round(edge);
  const high = round(edge - width);
  return (
    `M${from} ${high}C${x - 6} ${high} ${tip + 1} ${low} ${tip + 1} ${round(toY)}` +
    `H${tip - 1}C${tip - 2} ${round(edge + 3)} ${x - 10} ${low} ${from} ${low}Z`
  );
}

const round = (value: number) => Math.round(value * 10) / 10;
