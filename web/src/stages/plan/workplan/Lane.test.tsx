// @vitest-environment jsdom
import { createEvent, fireEvent, render, screen } from "@testing-library/react";
import { expect, test, vi } from "vitest";
import { within } from "../../../kit/testing";
import { Lane } from "./Lane";
import type { Bar, Lanes } from "./useLanes";

const bar = (id: string, given: Partial<Bar> = {}) =>
  ({
    id,
    title: `Fix ${id}`,
    kind: "links",
    state: "planned",
    begin: 3.5,
    end: 4.5,
    start: "2027-01-07",
    finish: "2027-01-08",
    hours: 6,
    benefit: 10,
    after: [],
    late: false,
    locked: false,
    ...given,
  }) as unknown as Bar;

function lane(bars: Bar[], focus?: string) {
  const acts = { put: vi.fn(), open: vi.fn(), setFocus: vi.fn() };
  const plan = {
    owners: [
      { name: "Ada", hours_per_day: 6 },
      { name: "Bo", hours_per_day: 8 },
    ],
    bars,
  } as unknown as Lanes;
  render(
    <Lane
      name="Ada"
      bars={bars}
      free={[[5, 7]]}
      plan={plan}
      zoom={20}
      most={10}
      focus={focus}
      others={["Ada", "Bo"]}
      {...acts}
    />,
    { wrapper: within("/s/1/c/7/plan/workplan") },
  );
  return acts;
}

const press = (id: string, key: string) =>
  fireEvent.keyDown(screen.getByRole("button", { name: new RegExp(`Fix ${id}`) }), { key });

test("a lane says whose it is and how long a day is", () => {
  lane([bar("F1")]);
  expect(screen.getByRole("region", { name: "Ada" }).textContent).toContain("Ada, 6 h a day");
});

test("a bar is moved by keys: a day on or back, to the next owner, locked and opened", () => {
  const acts = lane([bar("F1")]);
  for (const key of ["ArrowRight", "ArrowLeft", "ArrowDown", "ArrowUp", "l", "Enter", "q"]) press("F1", key);
  expect(acts.put.mock.calls).toEqual([
    ["F1", "Ada", 4],
    ["F1", "Ada", 2],
    ["F1", "Bo", 3],
    ["F1", "Ada", 3],
    ["F1", "Ada", 3],
  ]);
  expect(acts.open).toHaveBeenCalledExactlyOnceWith("F1");
});

test("a locked bar is let go by the key that locks", () => {
  const acts = lane([bar("F1", { locked: true })]);
  press("F1", "l");
  expect(acts.put).toHaveBeenCalledWith("F1", "Ada", null);
});

test("what is dropped on a lane begins on the day it was dropped on", () => {
  const acts = lane([bar("F1")]);
  const field = screen.getByRole("region", { name: "Ada" }).children[1] as Element;
  // jsdom knows nothing of where something is dropped.
  const drop = (id: string) => {
    const event = createEvent.drop(field, { dataTransfer: { getData: () => id } } as unknown as object);
    Object.defineProperty(event, "clientX", { value: 105 });
    fireEvent(field, event);
  };
  drop("F9");
  drop("");
  expect(acts.put.mock.calls).toEqual([["F9", "Ada", 5]]);
});
