import { expect, test } from "vitest";
import { hostAndFolder, pagesOf } from "./groups";

test.each([
  ["/lamps/", "", "/lamps/"],
  ["shop.a.test/lamps/", "shop.a.test", "/lamps/"],
  ["www.a.test/", "a.test", "/"],
  ["Lamps of our own", "", "Lamps of our own"],
  ["Version 2.0 / old", "", "Version 2.0 / old"],
])("the group %s is of host “%s” and folder %s", (name, host, folder) => {
  expect(hostAndFolder(name)).toEqual([host, folder]);
});

test("the pages of a group are not what pages embed", () => {
  expect(pagesOf("/a/")).toEqual([
    { field: "group", op: "is", value: "/a/" },
    { field: "kind", op: "is_not", value: "image" },
    { field: "kind", op: "is_not", value: "script" },
    { field: "kind", op: "is_not", value: "style" },
  ]);
});
