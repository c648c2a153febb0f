import type { Schemas } from "../../../api/client";

export type Stream = Schemas["Structure"]["flow"][number];
/** Where a group begins and ends on one side of the drawing. */
export type Bank = { name: string; top: number; height: number; share: number };
export type Ribbon = { stream: Stream; fromTop: number; toTop: number; height: number };

export const HEIGHT = 300;
const GAP = 7;
const LEAST = 13;
/** The groups that are too small to be drawn by themselves. */
export const REST = "other groups";

/** The streams among the groups that carry most; what is left goes together. */
export function gathered(flow: Stream[], most: number): Stream[] {
  const carried = new Map<string, number>();
  for (const { from, to, share } of flow)
    for (const name of [from, to]) carried.set(name, (carried.get(name) ?? 0) + share);
  const kept = new Set(
    [...carried]
      .sort((one, other) => other[1] - one[1])
      .slice(0, most)
      .map(([name]) => name),
  );
  const together = new Map<string, Stream>();
  for (const one of flow) {
    const from = kept.has(one.from) ? one.from : REST;
    const to = kept.has(one.to) ? one.to : REST;
    const key = JSON.stringify([from, to]);
    const before = together.get(key) ?? { from, to, links: 0, share: 0 };
    together.set(key, { from, to, links: before.links + one.links, share: before.share + one.share });
  }
  return [...together.values()].sort((one, other) => other.share - one.share);
}

/** The groups of one side from top to bottom, each as high as what it sends or gets, but never too low to be named. */
export function banks(streams: Stream[], side: "from" | "to"): Bank[] {
  const shares = new Map<string, number>();
  for (const stream of streams) shares.set(stream[side], (shares.get(stream[side]) ?? 0) + stream.share);
  const sorted = [...shares].sort((one, other) => other[1] - one[1]);
  const whole = sorted.reduce((sum, [, share]) => sum + share, 0) || 1;
  const room = HEIGHT - GAP * (sorted.length - 1) - LEAST * sorted.length;
  let top = 0;
  return sorted.map(([name, share]) => {
    const bank = { name, share, top, height: LEAST + (share / whole) * room };
    top += bank.height + GAP;
    return bank;
  });
}

/** Each stream as a ribbon between the two sides, stacked within its banks. */
export function ribbons(streams: Stream[], left: Bank[], right: Bank[]): Ribbon[] {
  const used = new Map<Bank, number>();
  const place = (bank: Bank | undefined, share: number) => {
    if (!bank) return { top: 0, height: 0 };
    const before = used.get(bank) ?? 0;
    const height = bank.share === 0 ? 0 : (share / bank.share) * bank.height;
    used.set(bank, before + height);
    return { top: bank.top + before, height };
  };
  return streams.map((stream) => {
    const from = place(
      left.find((bank) => bank.name === stream.from),
      stream.share,
    );
    const to = place(
      right.find((bank) => bank.name === stream.to),
      stream.share,
    );
    return { stream, fromTop: from.top, toTop: to.top, height: Math.min(from.height, to.height) };
  });
}
