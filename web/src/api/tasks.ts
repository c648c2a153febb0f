import { api, ApiError, data, type Schemas } from "./client";

export type Task = Schemas["Task"];
export type Kind = Task["kind"];
export type Result<K extends Kind> = NonNullable<Extract<Task, { kind: K }>["result"]>;

/** Who asked for it had enough of waiting. */
export class Cancelled extends Error {}

const LOOK_AGAIN_MS = 300;
const NOBODY_MS = 90_000;

const waiting = new Map<number, string>();
const listeners = new Set<() => void>();

function note(id: number, text: string | undefined) {
  if (waiting.get(id) === text) return;
  if (text === undefined) waiting.delete(id);
  else waiting.set(id, text);
  listeners.forEach((listener) => listener());
}

/** For what that was asked for here waits, in words; undefined where nothing does. */
export const whatWaits = () => [...waiting.values()][0];

/** Has somebody told when that changes; gives what ends it. */
export function whenWaitingChanges(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Has a worker do something, and waits for what comes of it. */
export async function worked<K extends Kind>(
  _kind: K,
  asked: Parameters<typeof data<Schemas["Asked"]>>[0],
  told: (task: Task) => void = () => undefined,
): Promise<Result<K>> {
  const { task: id } = await data(asked);
  try {
    return (await ended(id, told)) as Result<K>;
  } finally {
    note(id, undefined);
  }
}

async function ended(id: number, told: (task: Task) => void) {
  const began = Date.now();
  for (;;) {
    const task = await data(api.GET("/tasks/{task}", { params: { path: { task: id } } }));
    if (task.state === "done" && task.result) return task.result;
    if (task.state === "cancelled") throw new Cancelled("It was cancelled.");
    if (task.problem)
      throw new ApiError(422, { title: "It failed", status: 422, type: "about:blank", ...task.problem });
    if (task.waits_for?.nobody && Date.now() - began > NOBODY_MS)
      throw new Error("No worker has taken this up. Start one with bin/worker, then try again.");
    note(id, task.waits_for?.text);
    told(task);
    await new Promise((later) => setTimeout(later, LOOK_AGAIN_MS));
  }
}
