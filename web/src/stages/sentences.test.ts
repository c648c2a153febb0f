import { expect, test } from "vitest";
import { ranges } from "./crawl/evidence/BringLog";
import { told as yardstick } from "./decide/review/Yardsticks";
import { laidOutSentence } from "./plan/workplan/LanesView";
import type { Lanes } from "./plan/workplan/useLanes";
import { withValue } from "./read/groups/Limits";

test("ranges of crawlers are read however they are parted; what is none is passed over", () => {
  expect(ranges("alpha=192.0.2.0/24, alpha=2001:db8::/32\n beta=198.51.100.0/24 gamma= =1.2.3.4 delta")).toEqual({
    alpha: ["192.0.2.0/24", "2001:db8::/32"],
    beta: ["198.51.100.0/24"],
  });
  expect(ranges("")).toEqual({});
});

test.each([
  [{ gap: null, bars: [] }, "0 fixes laid out, 0.0 hours"],
  [{ gap: 0.4, bars: [{ hours: 2.25, late: false }] }, "1 fix laid out, 2.3 hours, within 0.4 % of the best order"],
  [
    {
      gap: 0,
      bars: [
        { hours: 1, late: true },
        { hours: 3, late: true },
      ],
    },
    "2 fixes laid out, 4.0 hours, within 0 % of the best order, 2 late",
  ],
])("a plan is told in a sentence: %j", (plan, words) => expect(laidOutSentence(plan as unknown as Lanes)).toBe(words));

test("a limit that is emptied is the usual one again; others stay", () => {
  const values = { title_long: 70, deep: 5 };
  expect(withValue(values, "deep", "")).toEqual({ title_long: 70 });
  expect(withValue(values, "deep", "3")).toEqual({ title_long: 70, deep: 3 });
  expect(withValue(values, "thin_words", "0")).toEqual({ ...values, thin_words: 0 });
  expect(values).toEqual({ title_long: 70, deep: 5 });
});

test("a yardstick is told as a sentence", () => {
  const one = (field: string, op: string, value: unknown) => yardstick({ field, op, value, weight: 1 } as never);
  expect(one("title", "filled", true)).not.toContain("true");
  expect(one("words", "at_least", 200)).toMatch(/200$/);
});
