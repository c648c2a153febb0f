// @vitest-environment jsdom
import { act, fireEvent, renderHook } from "@testing-library/react";
import { afterEach, expect, test, vi } from "vitest";
import { within } from "../testing";
import type { Column } from "./columns";
import { useColumns } from "./useColumns";
import { useRowKeys } from "./useRowKeys";
import { useWidths } from "./useWidths";

afterEach(() => localStorage.clear());

type Row = { a: string; b: string; c: string };
const ALL = (["a", "b", "c"] as const).map(
  (field) => ({ field, name: field, subject: field, kind: "text", width: 80 }) as Column<Row>,
);
const columns = (address: string) =>
  renderHook(() => useColumns("rows", ALL, ["a", "b"]), { wrapper: within(address) }).result;
const fields = (found: { current: ReturnType<typeof useColumns<Row>> }) =>
  found.current.columns.map((column) => column.field);

test("columns are those of the address, else those chosen last in this browser, else those at first", () => {
  expect(fields(columns("/s/1/c/7/read"))).toEqual(["a", "b"]);
  const found = columns("/s/1/c/7/read");
  act(() => found.current.set(["c", "a"]));
  expect(fields(found)).toEqual(["c", "a"]);
  expect(fields(columns("/s/1/c/7/read"))).toEqual(["c", "a"]);
  expect(fields(columns("/s/1/c/7/read?cols=b"))).toEqual(["b"]);
});

test("chosen as at first, nothing is kept; columns that are none fall back to those at first", () => {
  const found = columns("/s/1/c/7/read?cols=c");
  act(() => found.current.set(["a", "b"]));
  expect(localStorage.getItem("columns of rows")).toBeNull();
  expect(fields(columns("/s/1/c/7/read?cols=gone,lost"))).toEqual(["a", "b"]);
});

test("widths stay within bounds, are kept, and are given back", () => {
  const { result } = renderHook(() => useWidths("rows"));
  act(() => result.current.set("a", 3.4));
  act(() => result.current.set("b", 90_000));
  expect(result.current.widths).toEqual({ a: 44, b: 1200 });
  act(() => result.current.set("a", undefined));
  expect(renderHook(() => useWidths("rows")).result.current.widths).toEqual({ b: 1200 });
});

test.each(["{", "null", "7", "[1]"])("widths that can’t be read are none: %s", (kept) => {
  localStorage.setItem("widths of rows", kept);
  expect(renderHook(() => useWidths("rows")).result.current.widths).toEqual({});
});

const acts = () => ({ move: vi.fn(), open: vi.fn(), pick: vi.fn(), ask: vi.fn() });

test("keys move within the rows, pick, ask and open", () => {
  const done = acts();
  renderHook(() => useRowKeys(["x", "y"], 1, done));
  for (const key of ["j", "k", "x", "m", "Enter"]) fireEvent.keyDown(document.body, { key });
  expect(done.move.mock.calls).toEqual([[1], [0]]);
  expect([done.pick.mock.calls, done.ask.mock.calls, done.open.mock.calls]).toEqual([[[1]], [["y"]], [["y"]]]);
});

test("keys belong to fields, dialogs and the browser where those have them", () => {
  const done = acts();
  renderHook(() => useRowKeys(["x"], 0, done));
  document.body.innerHTML = "<input><div role=dialog><p>Sure?</p></div>";
  for (const place of ["input", "p"]) fireEvent.keyDown(document.querySelector(place) as Element, { key: "Enter" });
  fireEvent.keyDown(document.body, { key: "x", ctrlKey: true });
  document.body.innerHTML = "";
  for (const one of Object.values(done)) expect(one).not.toHaveBeenCalled();
});

test("without rows nothing is opened", () => {
  const done = acts();
  renderHook(() => useRowKeys([], 0, done));
  fireEvent.keyDown(document.body, { key: "Enter" });
  expect(done.open).not.toHaveBeenCalled();
});
