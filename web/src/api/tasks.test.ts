// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { answers } from "../kit/testing";
import { api } from "./client";
import { Cancelled, type Task, whatWaits, whenWaitingChanges, worked } from "./tasks";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const ask = () => api.POST("/sites/{site}/missing-links", { params: { path: { site: 1 } } });

/** Has a worker be in these states one after the other; the last one stays. */
function becomes(...states: object[]) {
  answers({
    "/api/sites/1/missing-links": [200, { task: 9 }],
    "/api/tasks/9": () => [
      200,
      {
        id: 9,
        kind: "links_sought",
        done: null,
        total: null,
        ...states[0],
        ...(states.length > 1 ? states.shift() : {}),
      },
    ],
  });
}

async function waited(told: (task: Task) => void = () => undefined) {
  const end = worked("links_sought", ask(), told).catch((error: unknown) => error);
  await vi.advanceTimersByTimeAsync(120_000);
  return end;
}

test("what comes of it is given once it is done, and how far it came until then", async () => {
  becomes({ state: "waiting" }, { state: "running", done: 3, total: 8 }, { state: "done", result: { links: 4 } });
  const told: (number | null)[] = [];
  expect(await waited((task) => told.push(task.done))).toEqual({ links: 4 });
  expect(told).toEqual([null, 3]);
});

test("one that was cancelled is no failure", async () => {
  becomes({ state: "running" }, { state: "cancelled" });
  expect(await waited()).toBeInstanceOf(Cancelled);
});

test("one that failed says what failed", async () => {
  becomes({ state: "failed", problem: { code: "no-crawl", detail: "No crawl is judged yet." } });
  expect(await waited()).toMatchObject({ message: "No crawl is judged yet.", status: 422 });
});

test("for what it waits is told to who looks, until it is taken up", async () => {
  const busy = { nobody: false, text: "The workers are busy with the verdicts of crawl 3." };
  becomes({ state: "waiting", waits_for: busy }, { state: "running" }, { state: "done", result: { links: 4 } });
  const seen: (string | undefined)[] = [];
  const end = whenWaitingChanges(() => seen.push(whatWaits()));
  await waited();
  end();
  expect(seen).toEqual([busy.text, undefined]);
});

test("while workers are busy it goes on waiting", async () => {
  becomes({ state: "waiting", waits_for: { nobody: false, text: "The workers are busy." } });
  const told: string[] = [];
  void worked("links_sought", ask(), (task) => told.push(task.state));
  await vi.advanceTimersByTimeAsync(200_000);
  expect(told.length).toBeGreaterThan(500);
});

test("where no worker takes it up, it says so instead of waiting for ever", async () => {
  becomes({ state: "waiting", waits_for: { nobody: true, text: "No worker is running." } });
  expect(await waited()).toMatchObject({
    message: "No worker has taken this up. Start one with bin/worker, then try again.",
  });
});
