import { expect, test } from "vitest";
import { banks, gathered, HEIGHT, REST, ribbons, type Stream } from "./flowing";

const stream = (from: string, to: string, share: number, links = 1): Stream => ({ from, to, share, links });
const FLOW = [
  stream("a", "b", 0.5, 10),
  stream("b", "a", 0.2, 4),
  stream("c", "a", 0.04),
  stream("d", "a", 0.01),
  stream("d", "c", 0.01),
];

test("the groups that carry least go together, and nothing is lost", () => {
  const found = gathered(FLOW, 2);
  expect(found.map((one) => [one.from, one.to, one.links])).toEqual([
    ["a", "b", 10],
    ["b", "a", 4],
    [REST, "a", 2],
    [REST, REST, 1],
  ]);
  const sum = (streams: Stream[]) => streams.reduce((all, one) => all + one.share, 0);
  expect(sum(found)).toBeCloseTo(sum(FLOW));
});

test("where all have room, all stay as they are", () => expect(gathered(FLOW, 9)).toHaveLength(FLOW.length));

test("banks fill the height without touching, the broadest first, and none too low for a name", () => {
  const left = banks(FLOW, "from");
  expect(left.map((bank) => bank.name)).toEqual(["a", "b", "c", "d"]);
  left.slice(1).forEach((bank, place) => {
    const before = left[place];
    expect(bank.top).toBeGreaterThan((before?.top ?? 0) + (before?.height ?? 0));
  });
  const last = left.at(-1);
  expect((last?.top ?? 0) + (last?.height ?? 0)).toBeCloseTo(HEIGHT);
  expect(Math.min(...left.map((bank) => bank.height))).toBeGreaterThanOrEqual(13);
});

test("ribbons are stacked within their banks", () => {
  const [left, right] = [banks(FLOW, "from"), banks(FLOW, "to")];
  const found = ribbons(FLOW, left, right);
  const ofD = found.filter((one) => one.stream.from === "d");
  expect(ofD[1]?.fromTop).toBeCloseTo(
    (ofD[0]?.fromTop ?? 0) + (left.find((bank) => bank.name === "d")?.height ?? 0) / 2,
  );
  for (const one of found) {
    const bank = right.find((other) => other.name === one.stream.to);
    expect(one.toTop + one.height).toBeLessThanOrEqual((bank?.top ?? 0) + (bank?.height ?? 0) + 1e-9);
  }
});

test("without any flow nothing is drawn", () => {
  expect([gathered([], 5), banks([], "to"), ribbons([], [], [])]).toEqual([[], [], []]);
  expect(banks([stream("a", "b", 0)], "from")[0]?.height).toBeGreaterThan(0);
});
