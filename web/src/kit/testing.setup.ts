import { afterEach } from "vitest";

// The client of the API takes it when it is loaded: in a browser addresses are those of the page, here of none. Done
// once for all files of a process.
const OfPage = globalThis.Request;
if (!("answer" in globalThis))
  globalThis.Request = class extends OfPage {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === "string" ? new URL(input, "http://page.test") : input, init);
    }
  };
const answer: { fetch: (request: Request) => Promise<Response> } = {
  fetch: (request) => Promise.reject(new Error(`Nothing answers ${request.url}.`)),
};
globalThis.fetch = (request) => answer.fetch(request as Request);

/** What answers the requests of the tests at the moment. */
Object.assign(globalThis, { answer });

// What a test has drawn goes with it: work that React has put off would find no window when the file is over.
if (typeof document !== "undefined") {
  const { cleanup } = await import("@testing-library/react");
  afterEach(cleanup);
}
