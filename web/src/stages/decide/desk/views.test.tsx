// @vitest-environment jsdom
import { fireEvent, render, screen, within } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { FitOf } from "./FitOf";
import { Pictures } from "./Pictures";
import type { DeskWork, Sheet } from "./useDeskPage";

const check = (given: Partial<Sheet["checks"][number]>) => ({
  name: "words",
  found: 120,
  drafted: 120,
  low: 100,
  high: null,
  weight: 1,
  met: true,
  drafted_met: true,
  ...given,
});
const sheet = (given: object) => given as Sheet;

test("the fit is told with each of its parts, as it is and as drafted", () => {
  const checks = [
    check({}),
    check({ name: "“oil” in the title", found: 0, drafted: 1, low: 1, weight: 3, met: false }),
    check({ name: "“wick” in the text", found: 0.0123, drafted: 0.0123, low: 0.02, high: 0.04, drafted_met: false }),
    check({ name: "characters of the title", low: null, high: 60, found: 61, drafted: 61, drafted_met: false }),
  ];
  render(<FitOf sheet={sheet({ fit: 40, draft_fit: 70, checks })} />);
  expect(screen.getByRole("status").textContent).toBe("Meets 40 of 100 by weight, as drafted 70.");
  const rows = screen.getAllByRole("img").map((sign) => sign.parentElement?.textContent);
  expect(rows).toEqual([
    "✓words at least 100120",
    "✓“oil” in the title at least 1, counts 3 times0 → 1",
    "–“wick” in the text 2.0 % to 4.0 %1.2 %",
    "–characters of the title at most 6061",
  ]);
  expect(screen.getAllByRole("img", { name: "not met" })).toHaveLength(2);
});

test("where the draft changes nothing only one number is told", () => {
  render(<FitOf sheet={sheet({ fit: 40, draft_fit: 40, checks: [] })} />);
  expect(screen.getByRole("status").textContent).toBe("Meets 40 of 100 by weight.");
});

test("without a phrase or a rival there is nothing to fit", () => {
  render(<FitOf sheet={sheet({ fit: null, draft_fit: null, checks: [] })} />);
  expect(screen.getByRole("status").textContent).toBe("Name a phrase or a rival to see how well the page fits.");
});

const PICTURE = {
  url: "http://a.test/IMG_1.jpg",
  alt: null,
  proposed_alt: "An anchor light",
  proposed_name: "anchor-light.jpg",
  bytes: 250_000,
  shown: [400, 300],
  drawn: [1200, 900],
  used_by: 1,
  found: null,
  text: null,
};

function pictures(...some: object[]) {
  const write = vi.fn();
  const work = {
    previews: new Map([[PICTURE.url, "data:image/png;base64,AA"]]),
    draft: { alts: { x: "kept" } },
    write,
  };
  render(<Pictures sheet={sheet({ pictures: some })} work={work as unknown as DeskWork} />);
  return write;
}

test("a picture is told with what it weighs and how much larger it is than it is shown", () => {
  pictures(PICTURE);
  const row = screen.getAllByRole("row")[1] as HTMLElement;
  const cells = within(row)
    .getAllByRole("cell")
    .map((cell) => cell.textContent);
  expect(cells).toEqual([
    "IMG_1.jpgsays nothing; could be anchor-light.jpg",
    "noneDraft “An anchor light”",
    "250 KB",
    "400 × 300",
    "1200 × 900more than twice what is shown",
    "1 page",
    "–",
    "can’t be read",
  ]);
  expect(row.querySelector("img")?.getAttribute("src")).toContain("data:image/png");
});

test("where searches showed a picture is told with its clicks", () => {
  pictures(
    { ...PICTURE, found: { clicks: 12, impressions: 40, position: 7.31 } },
    { ...PICTURE, url: "http://a.test/b.png", found: { clicks: null, impressions: 1200, position: null } },
  );
  const cells = screen.getAllByRole("row").map((row) => within(row).queryAllByRole("cell")[6]?.textContent);
  expect(cells.slice(1)).toEqual(["place 7.312 clicks", "1,200 times shown0 clicks"]);
});

test("a proposed alt text is drafted beside those that were drafted before", () => {
  const write = pictures(PICTURE);
  fireEvent.click(screen.getByRole("button"));
  expect(write).toHaveBeenCalledWith({ alts: { x: "kept", [PICTURE.url]: "An anchor light" } });
});

test("what is not fetched yet says so; an alt text that is there, empty or not, is shown as it is", () => {
  pictures(
    {
      ...PICTURE,
      url: "http://a.test/b.png",
      drawn: null,
      bytes: null,
      shown: null,
      proposed_alt: null,
      alt: "A lamp",
    },
    { ...PICTURE, url: "http://a.test/c.svg", drawn: [10, 10], text: "", proposed_alt: null, proposed_name: null },
  );
  const [first, second] = screen.getAllByRole("row").slice(1) as HTMLElement[];
  expect(first?.textContent).toContain("A lamp–––1 page");
  expect(first?.textContent).toContain("not fetched yet");
  expect(second?.textContent).toMatch(/none$/);
  expect(screen.queryByRole("button")).toBeNull();
});

test("a page without pictures has no such part", () => {
  pictures();
  expect(screen.queryByRole("table")).toBeNull();
});
