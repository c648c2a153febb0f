import { expect, it } from "vitest";
import { narrowed, screenAddress } from "./address";

it("names site, crawl and screen, and only what was given of the query", () => {
  expect(screenAddress(3, "latest", "read/ledger")).toBe("/s/3/c/latest/read/ledger");
  expect(screenAddress(3, "7", "read/ledger", { sort: "-words", where: undefined })).toBe(
    "/s/3/c/7/read/ledger?sort=-words",
  );
});

it("keeps what conditions hold through the address", () => {
  const where = narrowed({ field: "title", op: "contains", value: "Lamps & oil = 100 %" });
  const query = new URLSearchParams(screenAddress(1, "1", "read/ledger", where).split("?")[1]);
  expect(JSON.parse(query.get("where") ?? "")).toEqual({
    all: [{ field: "title", op: "contains", value: "Lamps & oil = 100 %" }],
  });
});
