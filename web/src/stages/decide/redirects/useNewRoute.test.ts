import { expect, test } from "vitest";
import { EMPTY, routeOf } from "./useNewRoute";

test.each([
  ["/old/", "exact"],
  ["/old/*", "pattern"],
  ["/^\\/old\\/(\\d+)$/", "pattern"],
  ["/a/b/", "exact"],
  ["/with space/", "exact"],
  ["/price(s)/", "pattern"],
])("%s is an address that is %s", (from, kind) => expect(routeOf({ ...EMPTY, from, to: "/new/" }).kind).toBe(kind));

test("an address with a query means that query, unless something else is chosen", () => {
  const query = (from: string, chosen: "match" | "keep" | "drop" | null = null) =>
    routeOf({ ...EMPTY, from, to: "/new/", query: chosen }).query;
  expect([query("/story.php?id=101"), query("/story.php"), query("/story.php?id=101", "drop")]).toEqual([
    "match",
    "keep",
    "drop",
  ]);
});

test("what is gone leads nowhere, whatever was typed before", () => {
  expect(routeOf({ ...EMPTY, from: "/old/", to: "/new/", status: 410 })).toMatchObject({ to: null, status: 410 });
  expect(routeOf({ ...EMPTY, from: "/old/", to: " /new/ " }).to).toBe("/new/");
});
