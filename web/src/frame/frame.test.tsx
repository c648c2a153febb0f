// @vitest-environment jsdom
import { fireEvent, render, renderHook, screen, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import { useLocation } from "react-router";
import { answers, crawlOf, within } from "../kit/testing";
import { STAGES } from "../stages/screens";
import { KeyHelp, useKeys } from "./Keys";
import { StageRail } from "./StageRail";

const RAIL = {
  fetched: 1200,
  seconds: 61,
  wanted: 40,
  wanted_stopping: 1,
  stopping: 9,
  undecided_groups: 1,
  fixes: 12,
  hours: 0,
  proved: 1,
};

function rail(numbers: Partial<typeof RAIL> | null, crawls = [crawlOf()]) {
  answers({
    "/api/sites": [200, { sites: [{ id: 1 }], removed: [] }],
    "/api/sites/1/crawls": [200, { crawls, removed: [] }],
    "/api/crawls/7/rail": numbers === null ? [404, {}] : [200, { ...RAIL, ...numbers }],
  });
  render(<StageRail screen="read/ledger" />, { wrapper: within("/s/1/c/latest/read/ledger") });
}

test.each<[Partial<typeof RAIL>, string]>([
  [{}, "1,200 URLs in 61 s"],
  [{ seconds: null as never }, "1,200 URLs"],
  [{}, "1 of 40 is stopped"],
  [{ wanted_stopping: 3 }, "3 of 40 are stopped"],
  [{ wanted: 0 }, "9 pages are stopped"],
  [{ wanted: 0, stopping: 1 }, "1 page is stopped"],
  [{}, "1 group undecided"],
  [{}, "12 fixes to do"],
  [{ hours: 7.6 }, "8 h laid out"],
  [{}, "1 fix proved"],
])("where the crawl has %j the rail says: %s", async (numbers, words) => {
  rail(numbers);
  expect(await screen.findByText(words)).toBeTruthy();
});

test("a crawl that runs is told beside what is read", async () => {
  const running = crawlOf({ id: 9, number: 9, state: "crawling", progress: { fetched: 31 } as never });
  rail({}, [running, crawlOf()]);
  expect(await screen.findByText("31 fetched, running")).toBeTruthy();
  expect(await screen.findByText("1 of 40 is stopped")).toBeTruthy();
});

test("without a crawl it says so, and every stage can be reached", async () => {
  rail(null, []);
  expect(await screen.findByText("no crawl yet")).toBeTruthy();
  for (const stage of STAGES)
    expect(screen.getByText(stage.name).closest("a")?.getAttribute("href")).toContain(stage.screens[0]?.path);
});

test("the screens of the open stage are named, and the open one is marked", () => {
  rail({});
  const read = STAGES.find((stage) => stage.name === "Read");
  for (const one of read?.screens ?? []) expect(screen.getByText(one.name)).toBeTruthy();
  expect(screen.getByText("Ledger").getAttribute("aria-current")).toBe("page");
});

const keys = () =>
  renderHook(() => ({ keys: useKeys(), at: useLocation().pathname }), { wrapper: within("/s/1/c/7/read/ledger") })
    .result;
const press = (key: string, more: object = {}) => fireEvent.keyDown(document.body, { key, ...more });

test("? shows the list of keys; it has all stages", () => {
  const found = keys();
  expect(found.current.keys.helpOpen).toBe(false);
  press("?");
  expect(found.current.keys.helpOpen).toBe(true);
  render(<KeyHelp open close={() => undefined} />);
  for (const stage of STAGES) expect(screen.getByText(`g ${stage.letter}`)).toBeTruthy();
});

test("/ goes to the finder, unless somebody is typing or the browser has the key", () => {
  document.body.innerHTML = "<input id=find><input id=other>";
  keys();
  press("/", { ctrlKey: true });
  expect(document.activeElement?.id).toBe("");
  const other = document.getElementById("other") as HTMLInputElement;
  other.focus();
  fireEvent.keyDown(other, { key: "/" });
  expect(document.activeElement?.id).toBe("other");
  other.blur();
  press("/");
  expect(document.activeElement?.id).toBe("find");
  document.body.innerHTML = "";
});

test("g and a letter go to a stage; another key between them forgets the g", async () => {
  const found = keys();
  for (const key of ["g", "z", "p"]) press(key);
  expect(found.current.at).toBe("/s/1/c/7/read/ledger");
  for (const key of ["g", "p"]) press(key);
  const plan = STAGES.find((stage) => stage.letter === "p")?.screens[0]?.path;
  await waitFor(() => expect(found.current.at).toBe(`/s/1/c/7/${plan}`));
});
