// @vitest-environment jsdom
import { render, screen, waitFor } from "@testing-library/react";
import { Suspense } from "react";
import { beforeAll, describe, expect, test } from "vitest";
import { answers, crawlOf, within } from "../kit/testing";
import { SCREENS, STAGES } from "./screens";

beforeAll(() => {
  // What jsdom doesn't measure.
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const SITE = {
  id: 1,
  name: "Lamps",
  settings: { start_urls: ["http://a.test/"] },
  intents: [],
  key_pages: [],
  secrets: {},
  timetable: null,
  newest_crawl: null,
};
/** Screens that begin with nothing of the crawl: a form, or what has to be chosen first. */
const ASKS_FOR_NOTHING = ["read/dossier", "crawl/setup", "prove/compare", "read/lists"];
const AWAY = [503, { status: 503, detail: "PostgreSQL can’t be reached." }] as [number, unknown];
const session = [200, { user: { email: "a@a.test" }, csrf_token: "t", first_start: false }] as [number, unknown];
const sites = [200, { sites: [SITE], removed: [] }] as [number, unknown];
const crawls = (...some: object[]) => [200, { crawls: some, removed: [] }] as [number, unknown];

/** A screen, and all that it says once it is drawn. */
function draw({ path, Drawn }: (typeof SCREENS)[number]) {
  const Wrapper = within(`/s/1/c/latest/${path}`);
  return render(
    <Suspense fallback="coming">
      <Drawn />
    </Suspense>,
    { wrapper: Wrapper },
  );
}

describe.each(SCREENS)("the screen $path", (one) => {
  test("says what is wrong where nothing answers, and isn’t blank", async () => {
    answers({});
    const { container } = draw(one);
    await waitFor(() => expect(container.textContent).not.toMatch(/^(coming|)$|Reading /));
    if (!ASKS_FOR_NOTHING.includes(one.path)) expect(container.textContent).toContain("Nothing there.");
  });

  test("says what is waited for as long as there is no crawl", async () => {
    answers({ "/api/session": session, "/api/sites": sites, "/api/sites/1/crawls": crawls() });
    const { container } = draw(one);
    await waitFor(() => expect(container.textContent).not.toMatch(/^(coming|)$|Reading the crawls/));
    expect(container.textContent?.length).toBeGreaterThan(15);
  });

  test("says that its data can’t be had, though the crawl is there", async () => {
    const rest = new Proxy(
      { "/api/session": session, "/api/sites": sites, "/api/sites/1/crawls": crawls(crawlOf()) } as Record<
        string,
        [number, unknown]
      >,
      { get: (known, path: string) => known[path] ?? (path.startsWith("/") ? AWAY : undefined) },
    );
    answers(rest);
    const { container } = draw(one);
    await waitFor(() => expect(container.textContent).not.toMatch(/^(coming|)$|Reading the crawls/));
    await waitFor(() => expect(screen.queryAllByRole("status")).toEqual([]));
    if (!ASKS_FOR_NOTHING.includes(one.path)) expect(container.textContent).toContain("PostgreSQL can’t be reached.");
  });
});

test("every screen of the rail is named once in its stage", () => {
  for (const stage of STAGES) {
    const names = stage.screens.map((one) => one.name);
    expect(new Set(names).size).toBe(names.length);
    expect(names.length).toBeGreaterThan(0);
  }
  expect(new Set(STAGES.map((stage) => stage.letter)).size).toBe(STAGES.length);
});
