// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { answers, within } from "../../../kit/testing";
import type { MissingLink } from "../../../kit/useMissingLinks";
import { LostHosts } from "./LostHosts";
import { ToOnePage } from "./ToOnePage";
import type { LinksWork } from "./useLinks";

const link = (id: string, state: MissingLink["state"], sentence = `Here ${id} tells of a wick.`) =>
  ({
    source: `http://a.test/${id}`,
    source_id: id,
    target: "http://a.test/wick",
    target_id: "9",
    target_title: "Wicks",
    importance: 71.25,
    sentence,
    words: "a wick",
    state,
  }) as MissingLink;

function draw(...links: MissingLink[]) {
  answers({});
  const settle = vi.fn();
  const work = { settle, decide: { isPending: false } } as unknown as LinksWork;
  render(<ToOnePage links={links} work={work} />, { wrapper: within("/s/1/c/7/decide/missing-links?view=links") });
  return settle;
}

test("each link stands with its sentence, in which the words that would carry it are marked", () => {
  draw(link("a", "open"), link("b", "open", "No such words."));
  const marks = [...document.querySelectorAll("mark")];
  expect(marks.map((mark) => mark.parentElement?.textContent)).toEqual([
    "Here a tells of a wick.",
    "No such words. a wick",
  ]);
  expect(screen.getByRole("region").textContent).toContain("Wicks · importance 71.3");
  expect(screen.getByText("a").closest("a")?.getAttribute("href")).toBe(
    "/s/1/c/7/decide/missing-links?view=links&url=a",
  );
});

test("links are accepted, refused and opened again, one by one or all that are open", () => {
  const links = [link("a", "open"), link("b", "accepted"), link("c", "open"), link("d", "refused")];
  const settle = draw(...links);
  const [a, b, c] = links;
  fireEvent.click(screen.getByText("Accept 2 links"));
  fireEvent.click(screen.getByRole("button", { name: "Accept the link from http://a.test/a to http://a.test/wick" }));
  fireEvent.click(screen.getByRole("button", { name: "Refuse the link from http://a.test/c to http://a.test/wick" }));
  fireEvent.click(
    screen.getByRole("button", { name: "Open the link from http://a.test/b to http://a.test/wick again" }),
  );
  expect(settle.mock.calls).toEqual([
    [[a, c], "accepted"],
    [[a], "accepted"],
    [[c], "refused"],
    [[b], "open"],
  ]);
});

test("one open link alone needs no button for all", () => {
  draw(link("a", "open"), link("b", "refused"));
  expect(screen.queryByText(/^Accept \d/)).toBeNull();
});

test("lost hosts are told with how many links lead there, what stood there and whom to write to", () => {
  answers({});
  const one = {
    page: "http://a.test/x",
    page_id: "4",
    target: "http://gone.test/y",
    anchor: null,
    stood_there: null,
    contact: null,
  };
  const other = {
    ...one,
    page: "http://a.test/z",
    page_id: "5",
    anchor: "tables",
    stood_there: "An almanac",
    contact: "k@a.test",
  };
  render(<LostHosts lost={[{ host: "gone.test", links: [one, other] }]} />, {
    wrapper: within("/s/1/c/7/decide/missing-links"),
  });
  const rows = screen.getAllByRole("row").map((row) => row.textContent);
  expect(rows[1]).toBe("gone.test2 links lead there");
  expect(rows[2]).toMatch(/–.*not knownnone on the page$/);
  expect(rows[3]).toMatch(/tables.*An almanack@a\.test$/);
  cleanup();
  render(<LostHosts lost={[]} />, { wrapper: within("/s/1/c/7/decide/missing-links") });
  expect(document.body.textContent).toContain("No link out is known to be broken.");
});
