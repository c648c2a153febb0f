// @vitest-environment jsdom
import { render, screen } from "@testing-library/react";
import { expect, test } from "vitest";
import { answers, crawlOf, within } from "./testing";
import { Topics } from "./Topics";
import type { Topic } from "./useMissingLinks";

const page = (number: number) => ({ url: `http://a.test/${number}`, url_id: `${number}`, title: null });
const topic = (members: number[], unlinked: number[]): Topic => ({
  words: ["oil", "wick"],
  leader: page(0),
  members: members.map((number) => ({ ...page(number), likeness: 0.5 })),
  unlinked: unlinked.map((number) => page(number).url),
});

function draw(...topics: Topic[]) {
  answers({
    "/api/sites": [200, { sites: [], removed: [] }],
    "/api/sites/1/crawls": [200, { crawls: [crawlOf()], removed: [] }],
  });
  render(<Topics topics={topics} />, { wrapper: within("/s/1/c/7/decide/missing-links?view=topics") });
}

test("every page of a topic opens its dossier and keeps the view", () => {
  draw(topic([1, 2], []));
  expect(screen.getAllByRole("link").map((link) => link.getAttribute("href"))).toEqual(
    [0, 1, 2].map((number) => `/s/1/c/7/decide/missing-links?view=topics&url=${number}`),
  );
  expect(screen.getByText(/all link to the one that leads/).textContent).toContain("3 pages");
});

test("those that don't link to it come first, and those beyond the sixth are counted", () => {
  draw(topic([1, 2, 3, 4, 5, 6, 7, 8], [8]));
  expect(screen.getAllByRole("link").map((link) => link.textContent)).toEqual(
    ["0", "8", "1", "2", "3", "4", "5"].map((end) => expect.stringMatching(`/${end}$`)),
  );
  expect(screen.getAllByText(/no link to it/)).toHaveLength(1);
  expect(screen.getByText("and 2 more")).toBeTruthy();
  expect(screen.getByText(/1 doesn’t link to the one that leads/)).toBeTruthy();
});

test("where no three pages speak of the same that is said", () => {
  draw();
  expect(screen.getByText("No three pages speak of the same.")).toBeTruthy();
});
