import type { StandingHistory } from "./useStanding";

export type Band = { state: string; points: { x: number; from: number; to: number }[] };

/** Bands one upon the other, each as thick as the pages of one standing, over the width and height of a drawing. */
export function bands(days: StandingHistory["days"], order: string[], width: number, height: number): Band[] {
  const most = Math.max(1, ...days.map((day) => Object.values(day.states).reduce((sum, urls) => sum + urls, 0)));
  const first = Date.parse(days[0]?.day ?? "");
  const last = Date.parse(days.at(-1)?.day ?? "");
  const at = (day: string) => (last === first ? width / 2 : ((Date.parse(day) - first) / (last - first)) * width);
  const below = days.map(() => 0);
  return order.map((state) => ({
    state,
    points: days.map((day, place) => {
      const from = below[place] ?? 0;
      const to = from + (day.states[state] ?? 0);
      below[place] = to;
      return { x: at(day.day), from: height - (from / most) * height, to: height - (to / most) * height };
    }),
  }));
}

/** The outline of a band; of a single day a bar. */
export function outline({ points }: Band, width: number): string {
  const [only] = points;
  const path =
    points.length === 1 && only
      ? [
          { ...only, x: 0 },
          { ...only, x: width },
        ]
      : points;
  const there = path.map((one) => `${one.x.toFixed(1)},${one.to.toFixed(1)}`);
  const back = [...path].reverse().map((one) => `${one.x.toFixed(1)},${one.from.toFixed(1)}`);
  return `M${[...there, ...back].join("L")}Z`;
}
