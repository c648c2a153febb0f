import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Session = Schemas["Session"];
export type Site = Schemas["Site"];
export type Crawl = Schemas["Crawl"];
export type LedgerRow = Schemas["LedgerRow"];
export type Dossier = Schemas["Dossier"];
export type Trellis = Schemas["Trellis"];
export type Problem = Schemas["Problem"];
export type Rung = Schemas["Rung"];

/** What is refused before the API sees it. */
const WORDS: Record<number, string> = { 413: "This is larger than the server takes here." };

/** What the API said went wrong; the message is meant for people. */
export class ApiError extends Error {
  readonly status: number;
  readonly problem: Problem | undefined;

  constructor(status: number, problem: Problem | undefined) {
    super(problem?.detail ?? WORDS[status] ?? `The server answered ${status}.`);
    this.status = status;
    this.problem = problem;
  }

  /** The message for one field of a form, if it has one. */
  forField(name: string): string | undefined {
    return this.problem?.problems
      ?.filter((one) => one.field === name)
      .map((one) => one.message)
      .join(" ");
  }
}

let csrfToken = "";

/** Changes need the token that the session gave. */
export function keepToken(token: string) {
  csrfToken = token;
}

const middleware: Middleware = {
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRF-Token", csrfToken);
    return request;
  },
};

const TRIES = 4;

/** A server that is busy says when to ask again: it has done nothing of the request. */
export async function patient(
  request: Request,
  ask: (request: Request) => Promise<Response> = fetch,
  wait = (seconds: number) => new Promise((done) => setTimeout(done, seconds * 1000)),
): Promise<Response> {
  for (let tries = 1; ; tries += 1) {
    const answer = await ask(tries < TRIES ? request.clone() : request);
    const seconds = Number(answer.headers.get("retry-after"));
    if (answer.status !== 503 || !seconds || tries === TRIES) return answer;
    await wait(seconds);
  }
}

export const api = createClient<paths>({ baseUrl: "/api", fetch: (request) => patient(request) });
api.use(middleware);

/** Gives the data of an answer, or throws what went wrong. */
export async function data<T>(
  answer: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<NonNullable<T>> {
  const { data: value, error, response } = await answer;
  if (response.ok && value !== undefined && value !== null) return value;
  throw new ApiError(response.status, isProblem(error) ? error : undefined);
}

/** A file as the body of a request, sent as it is. */
export const asFile = (file: Blob) => ({
  body: file as unknown as string,
  bodySerializer: () => file,
  headers: { "Content-Type": "application/octet-stream" },
});

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "detail" in value;
}
