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

test("what is gone leads nowhere, whatever was typed before", () => {
  expect(routeOf({ ...EMPTY, from: "/old/", to: "/new/", status: 410 })).toMatchObject({ to: null, status: 410 });
  expect(routeOf({ ...EMPTY, from: "/old/", to: " /new/ " }).to).toBe("/new/");
});
