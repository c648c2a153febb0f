import { configure } from "@testing-library/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import type { ReactNode } from "react";
import type { Crawl } from "../api/client";
import { MemoryRouter, Route, Routes } from "react-router";

// A state is waited for however busy the machine is.
configure({ asyncUtilTimeout: 30_000 });

/** What a hook of a screen stands in: an address and a client of its own. */
export function within(address: string) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return function Wrapper({ children }: { children: ReactNode }) {
    return (
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[address]}>
          <Routes>
            <Route path="/s/:site/c/:crawl/*" element={children} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>
    );
  };
}

/** What was asked for: how, where, and with what in it. */
export type Asked = { method: string; url: URL; body: unknown };
type Answer = [status: number, body: unknown];

/**
 * Has the server answer: by the path of what is asked for, without its query, a status and a body. Where the method
 * matters, it stands before the path, "PUT /api/sites/1"; what is given as a function says it anew each time.
 */
export function answers(bodies: Record<string, Answer | ((asked: Asked) => Answer)>) {
  const all: Asked[] = [];
  const { answer } = globalThis as unknown as { answer: { fetch: (request: Request) => Promise<Response> } };
  answer.fetch = async (request) => {
    const url = new URL(request.url);
    const text = await request.text();
    const asked = { method: request.method, url, body: text === "" ? undefined : readable(text) };
    all.push(asked);
    const found = bodies[`${request.method} ${url.pathname}`] ?? bodies[url.pathname];
    const [status, body] = (typeof found === "function" ? found(asked) : found) ?? NOTHING;
    return new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });
  };
  return all;
}

const NOTHING: Answer = [404, { code: "not-found", status: 404, detail: "Nothing there." }];

function readable(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** A crawl of the whole site that is finished, but for what is given. */
export const crawlOf = (given: Partial<Crawl> = {}): Crawl => ({
  id: 7,
  kept: false,
  site_id: 1,
  number: 7,
  state: "finished",
  scope: "whole",
  asked: null,
  created_at: "2027-01-04T10:00:00Z",
  started_at: "2027-01-04T10:00:01Z",
  finished_at: "2027-01-04T10:09:00Z",
  message: null,
  settings: {},
  progress: { fetched: 40, waiting: 0 } as Crawl["progress"],
  run: 3,
  judged_again: false,
  judging_error: null,
  unanswered: false,
  errors: [],
  ...given,
});
