// @vitest-environment jsdom
import { expect, test } from "vitest";
import { answers } from "../kit/testing";
import { api, ApiError, asFile, data, keepToken, patient } from "./client";

test("what went wrong is said as the server says it, and field by field", async () => {
  const problems = [
    { field: "rate", message: "must be a number." },
    { field: "rate", message: "must not be below 0." },
    { field: "agent", message: "is empty." },
  ];
  answers({ "/api/sites": [422, { status: 422, detail: "The settings can’t be kept.", problems }] });
  const error = await data(api.GET("/sites")).catch((one: unknown) => one);
  if (!(error instanceof ApiError)) throw new Error("no error");
  expect([error.message, error.status]).toEqual(["The settings can’t be kept.", 422]);
  expect(error.forField("rate")).toBe("must be a number. must not be below 0.");
  expect(error.forField("hosts")).toBe("");
});

test.each([["a page of a proxy"], [null], [{ title: "no detail" }]])(
  "an answer that says nothing is told by its status: %j",
  async (body) => {
    answers({ "/api/sites": [502, body] });
    const error = await data(api.GET("/sites")).catch((one: unknown) => one);
    expect(error).toMatchObject({ message: "The server answered 502.", status: 502, problem: undefined });
  },
);

test("what is refused by its size alone is said in words, too", async () => {
  answers({ "/api/sites": [413, "Payload Too Large"] });
  const error = await data(api.GET("/sites")).catch((one: unknown) => one);
  expect(error).toMatchObject({ message: "This is larger than the server takes here.", status: 413 });
});

test("who is told that the server is busy asks again, some times", async () => {
  const waited: number[] = [];
  const wait = (seconds: number) => Promise.resolve(waited.push(seconds));
  const busy = () => new Response("{}", { status: 503, headers: { "retry-after": "2" } });
  const request = () => new Request("http://a.test/", { method: "POST", body: "x" });
  const said: string[] = [];
  const ask = async (one: Request) => {
    said.push(await one.text());
    return said.length < 3 ? busy() : new Response("{}");
  };
  expect((await patient(request(), ask, wait)).status).toBe(200);
  expect([said, waited]).toEqual([
    ["x", "x", "x"],
    [2, 2],
  ]);
  expect((await patient(request(), () => Promise.resolve(busy()), wait)).status).toBe(503);
  expect(waited).toHaveLength(5);
  const away = () => Promise.resolve(new Response("{}", { status: 503 }));
  expect((await patient(request(), away, wait)).status).toBe(503);
  expect(waited).toHaveLength(5);
});

test("changes carry the token of the session, questions don’t", async () => {
  const headers: (string | null)[] = [];
  const { answer } = globalThis as unknown as { answer: { fetch: (request: Request) => Promise<Response> } };
  answer.fetch = (request) => {
    headers.push(request.headers.get("X-CSRF-Token"));
    return Promise.resolve(new Response("{}", { headers: { "content-type": "application/json" } }));
  };
  keepToken("of-the-session");
  await api.GET("/sites");
  await api.POST("/crawls/{crawl}/judge", { params: { path: { crawl: 1 } } });
  expect(headers).toEqual([null, "of-the-session"]);
});

test("a file is sent as it is", async () => {
  const asked = answers({ "/api/sites/1/review/import": [200, {}] });
  const file = new Blob(["url;fate\n"]);
  await api.POST("/sites/{site}/review/import", { params: { path: { site: 1 } }, ...asFile(file) });
  expect(asked[0]).toMatchObject({ method: "POST", body: "url;fate\n" });
});
