type Frame = { days: number; zoom: number; height: number; most: number };

/** The points of a line that rises at the end of each day named, and stays until the last. */
export function points(some: number[][], { days, zoom, height, most }: Frame): string {
  const at = (value: number) => height + 4 - (height * value) / most;
  const corners: string[] = [];
  let before = 0;
  for (const [day = 0, gain = 0] of some) {
    const x = day === 0 && gain === 0 ? 0 : (day + 1) * zoom;
    corners.push(`${x},${at(before)}`, `${x},${at(gain)}`);
    before = gain;
  }
  corners.push(`${days * zoom},${at(before)}`);
  return corners.join(" ");
}
