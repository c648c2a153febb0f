import { api, ApiError, data, type Schemas } from "./client";

export type Task = Schemas["Task"];
export type Kind = Task["kind"];
export type Result<K extends Kind> = NonNullable<Extract<Task, { kind: K }>["result"]>;

/** Who asked for it had enough of waiting. */
export class Cancelled extends Error {}

const LOOK_AGAIN_MS = 300;
const NOBODY_MS = 90_000;

/** Has a worker do something, and waits for what comes of it. */
export async function worked<K extends Kind>(
  _kind: K,
  asked: Parameters<typeof data<Schemas["Asked"]>>[0],
  told: (task: Task) => void = () => undefined,
): Promise<Result<K>> {
  const { task: id } = await data(asked);
  const began = Date.now();
  for (;;) {
    const task = await data(api.GET("/tasks/{task}", { params: { path: { task: id } } }));
    if (task.state === "done" && task.result) return task.result as Result<K>;
    if (task.state === "cancelled") throw new Cancelled("It was cancelled.");
    if (task.problem)
      throw new ApiError(422, { title: "It failed", status: 422, type: "about:blank", ...task.problem });
    if (task.state === "waiting" && Date.now() - began > NOBODY_MS)
      throw new Error("No worker has taken this up. Start one with bin/worker, then try again.");
    told(task);
    await new Promise((later) => setTimeout(later, LOOK_AGAIN_MS));
  }
}
