import { expect, test } from "vitest";
import { formatOf, READ } from "./useBringMap";
import { type Route, waiting } from "./useRouteMap";

const route = (tested_at: string | null, ...flaws: string[]) =>
  ({ test: tested_at === null ? null : { tested_at }, flaws: flaws.map((code) => ({ code })) }) as unknown as Route;
const ASKED = "2027-01-04T10:00:00Z";

test("routes wait that weren’t asked for since the test began; those that can’t be asked for don’t", () => {
  const routes = [
    route(null),
    route("2027-01-04T09:59:59Z"),
    route("2027-01-04T10:00:01Z"),
    route(null, "route-loop"),
    route(null, "route-chain"),
  ];
  expect(waiting(routes, ASKED)).toBe(3);
  expect(waiting(routes, undefined)).toBe(0);
});

test("a file is read by the ending of its name, else as CSV", () => {
  expect(READ).toContain("csv");
  expect([...READ.map((name) => formatOf(`Map of ours.${name.toUpperCase()}`))]).toEqual(READ);
  expect(formatOf("map.txt")).toBe("csv");
});
