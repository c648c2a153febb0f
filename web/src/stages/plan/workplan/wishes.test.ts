import { expect, test } from "vitest";
import { wishOf } from "./wishes";

const plan = {
  owners: [
    { name: "Ines", hours_per_day: 6, off: ["2027-01-02"] },
    { name: "Tomas", hours_per_day: 4 },
  ],
  freezes: [{ from: "2026-12-24", to: "2026-12-31" }],
};
const none = { owner: "Ines", from: "", to: "", hours: "" };

test("days away are added to those that are known", () => {
  const wish = wishOf({ ...none, what: "away", from: "2027-01-04", to: "2027-01-05" }, plan);
  expect(wish.owners?.map((one) => one.off)).toEqual([["2027-01-02", "2027-01-04", "2027-01-05"], undefined]);
});

test("a freeze stands beside the others, and hours are one owner's", () => {
  expect(wishOf({ ...none, what: "freeze", from: "2027-02-01", to: "2027-02-03" }, plan).freezes).toHaveLength(2);
  expect(wishOf({ ...none, what: "hours", hours: "3" }, plan).owners?.map((one) => one.hours_per_day)).toEqual([3, 4]);
});

test("nothing is asked while it isn't whole", () => {
  expect(wishOf({ ...none, what: "away", from: "2027-01-04" }, plan)).toEqual({});
  expect(wishOf({ ...none, what: "freeze", from: "2027-01-04", to: "2027-01-01" }, plan)).toEqual({});
  expect(wishOf({ ...none, what: "hours", hours: "0" }, plan)).toEqual({});
});
