import { expect, test } from "vitest";
import { andThen, asked, type Screen } from "./screen";

const refetch = () => undefined;

test("a request is loading until it has data, and failed where it ended with an error, even beside older data", () => {
  expect(asked({ data: undefined, error: null, refetch }, "the map")).toEqual({ state: "loading", what: "the map" });
  expect(asked({ data: 0, error: null, refetch }, "the map")).toEqual({ state: "ready", data: 0 });
  expect(asked({ data: 0, error: new Error("no"), refetch }, "the map").state).toBe("failed");
});

test("a failed request is tried again by its own refetch", () => {
  let times = 0;
  const screen = asked({ data: undefined, error: new Error("no"), refetch: () => times++ }, "the map");
  if (screen.state === "failed") screen.retry?.();
  expect(times).toBe(1);
});

test("what follows is drawn only where the first is ready", () => {
  const ready: Screen<number> = { state: "ready", data: 2 };
  expect(andThen(ready, (number) => ({ state: "ready", data: number + 1 }))).toEqual({ state: "ready", data: 3 });
  expect(andThen({ state: "empty", why: "x" } as Screen<number>, () => ready)).toEqual({ state: "empty", why: "x" });
});
