// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { useLocation } from "react-router";
import { expect, test } from "vitest";
import type { Site } from "../../../api/client";
import { answers, crawlOf, within } from "../../../kit/testing";
import { useSetup } from "./useSetup";

const SITE = {
  id: 1,
  name: "Lamps",
  settings: { start_urls: ["http://a.test/"], rate: 5 },
  key_pages: [],
  intents: [],
  secrets: {},
  timetable: null,
} as unknown as Site;

function setup(site: Site | undefined, bodies: Parameters<typeof answers>[0] = {}) {
  const asked = answers({
    "PUT /api/sites/1": [200, SITE],
    "POST /api/sites": [201, { ...SITE, id: 5 }],
    "POST /api/sites/1/crawls": [201, crawlOf({ id: 9 })],
    ...bodies,
  });
  const { result } = renderHook(() => ({ form: useSetup(site), at: useLocation().pathname }), {
    wrapper: within("/s/1/c/latest/crawl/setup"),
  });
  return { result, asked: () => asked.filter((one) => one.method !== "GET") };
}

test("a site is kept before it is crawled, and one goes to watch", async () => {
  const { result, asked } = setup(SITE);
  act(() => result.current.form.set("rate", "2"));
  act(() => result.current.form.crawl.mutate());
  await waitFor(() => expect(result.current.at).toBe("/s/1/c/latest/crawl/live"));
  expect(asked().map((one) => [one.method, one.url.pathname])).toEqual([
    ["PUT", "/api/sites/1"],
    ["POST", "/api/sites/1/crawls"],
  ]);
  expect(asked()[0]?.body).toMatchObject({ settings: { rate: 2 } });
});

test("what can’t be kept isn’t crawled, and is told at its field", async () => {
  const problems = [{ field: "rate", message: "must be a number." }];
  const { result, asked } = setup(SITE, { "PUT /api/sites/1": [422, { status: 422, detail: "No.", problems }] });
  act(() => result.current.form.set("rate", "fast"));
  act(() => result.current.form.crawl.mutate());
  await waitFor(() => expect(result.current.form.error?.forField("rate")).toBe("must be a number."));
  expect(asked()).toHaveLength(1);
  expect(result.current.form.fields.rate).toBe("fast");
});

test("a new site is made, and has an address of its own", async () => {
  const { result, asked } = setup(undefined);
  act(() => result.current.form.set("start_urls", "http://new.test/"));
  act(() => result.current.form.save.mutate());
  await waitFor(() => expect(result.current.at).toBe("/s/5/c/latest/crawl/setup"));
  expect(asked()[0]?.body).toMatchObject({ name: "new.test", settings: { start_urls: ["http://new.test/"] } });
});

test("settings of an earlier crawl are taken over, and what is the site’s own stays", () => {
  const { result } = setup(SITE);
  act(() => result.current.form.set("wanted", "/lamps/*"));
  act(() => result.current.form.copyFrom(crawlOf({ settings: { rate: 1, exclude: ["/x/*"] } as never })));
  expect(result.current.form.fields).toMatchObject({ rate: "1", exclude: "/x/*", wanted: "/lamps/*", name: "Lamps" });
});
