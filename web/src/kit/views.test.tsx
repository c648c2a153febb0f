// @vitest-environment jsdom
import { fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { BadLines } from "./BadLines";
import { BringFile } from "./BringFile";
import { Stop } from "./Stop";
import { within } from "./testing";
import { Toggles } from "./Toggles";
import { Unready } from "./Unready";
import { UrlText } from "./UrlText";
import { WhyNot } from "./WhyNot";

test("a screen that isn’t ready says what is read, why it is empty, or what went wrong with a way to try again", () => {
  const Wrapper = within("/s/1/c/7/read/ledger");
  const { rerender } = render(<Unready screen={{ state: "loading", what: "the links" }} />, { wrapper: Wrapper });
  expect(screen.getByRole("status").textContent).toContain("Reading the links");
  rerender(<Unready screen={{ state: "empty", why: "There is no crawl yet." }} />);
  expect(screen.getByText("There is no crawl yet.")).toBeTruthy();
  expect(screen.getByRole("link", { name: "To the crawl" }).getAttribute("href")).toBe("/s/1/c/7/crawl/live");
  const retry = vi.fn();
  rerender(<Unready screen={{ state: "failed", error: new Error("It is gone."), retry }} />);
  fireEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(retry).toHaveBeenCalledOnce();
  rerender(<Unready screen={{ state: "failed", error: new Error("It is gone.") }} />);
  expect(screen.queryByRole("button")).toBeNull();
});

test("lines that can’t be used are told with why, and not more than can be read", () => {
  const lines = (many: number) => Array.from({ length: many }, (_, at) => ({ line: at + 2, why: "has no address" }));
  const { rerender, container } = render(<BadLines lines={lines(1)} />);
  expect(screen.getByRole("alert").textContent).toBe("1 line can't be used:line 2: has no address");
  rerender(<BadLines lines={lines(23)} />);
  expect(screen.getAllByRole("listitem")).toHaveLength(20);
  expect(screen.getByRole("alert").textContent).toContain("and 3 further lines");
  rerender(<BadLines lines={[]} />);
  expect(container.textContent).toBe("");
});

test.each([
  ["https://www.a.test/lamps/brass.html", "/lamps/", "brass.html"],
  ["https://www.a.test/", "", "/"],
  ["https://www.a.test/lamps/", "", "/lamps/"],
  ["no address", "", "no address"],
])("of %s the end is set off from what leads to it", (url, before, last) => {
  render(<UrlText url={url} />);
  const [folders, end] = [...screen.getByTitle(url).children];
  expect([folders?.textContent, end?.textContent]).toEqual([before, last]);
});

test("with its host an address is whole", () => {
  render(<UrlText url="https://www.a.test/lamps/brass.html" withHost />);
  expect(screen.getByTitle(/brass/).textContent).toBe("www.a.test/lamps/brass.html");
});

test("what stops a page is told by its cause, with the reason as title; what isn’t known is told so", () => {
  const { rerender } = render(<Stop stop="open" reason="meta robots on line 7" />);
  expect(screen.getByTitle("meta robots on line 7").textContent).toContain("noindex");
  rerender(<Stop stop={null} known={false} />);
  expect(screen.getByLabelText("not known")).toBeTruthy();
  rerender(<Stop stop={null} passes="nothing" />);
  expect(screen.getByLabelText("nothing stops it")).toBeTruthy();
});

test("of a row of choices one always holds", () => {
  const choose = vi.fn();
  const choices = [
    { name: "a", label: "All" },
    { name: "b", label: "Some" },
  ];
  render(<Toggles choices={choices} value="a" choose={choose} choiceSx={{}} />);
  fireEvent.click(screen.getByRole("button", { name: "All" }));
  expect(choose).not.toHaveBeenCalled();
  fireEvent.click(screen.getByRole("button", { name: "Some" }));
  expect(choose).toHaveBeenCalledWith("b");
  expect(screen.getByRole("button", { name: "All" }).getAttribute("aria-pressed")).toBe("true");
});

test("the same file can be brought twice in a row", () => {
  const read = vi.fn();
  render(<BringFile label="Bring a map" accept=".csv" read={read} />);
  const input = screen.getByLabelText("Bring a map", { selector: "input" });
  const file = new File(["a"], "a.csv");
  for (let times = 0; times < 2; times += 1) fireEvent.change(input, { target: { files: [file] } });
  expect(read.mock.calls).toEqual([[file], [file]]);
  fireEvent.change(input, { target: { files: [] } });
  expect(read).toHaveBeenCalledTimes(2);
});

test("why something wasn’t done is told to who can’t see it, too; nothing where it was", () => {
  const { container, rerender } = render(<WhyNot error={new Error("The map holds a loop.")} />);
  expect(screen.getByRole("alert").textContent).toBe("The map holds a loop.");
  rerender(<WhyNot error={null} />);
  expect(container.textContent).toBe("");
});
