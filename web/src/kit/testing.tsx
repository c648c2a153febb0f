import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { MemoryRouter, Route, Routes } from "react-router";

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

/** Has the server answer: by the path of what is asked for, without its query, a status and a body. */
export function answers(bodies: Record<string, [status: number, body: unknown]>) {
  const asked: URL[] = [];
  const { answer } = globalThis as unknown as { answer: { fetch: (request: Request) => Promise<Response> } };
  answer.fetch = async (request) => {
    const url = new URL(request.url);
    asked.push(url);
    const [status, body] = bodies[url.pathname] ?? [404, { code: "not-found", status: 404, detail: "Nothing there." }];
    return new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });
  };
  return asked;
}
