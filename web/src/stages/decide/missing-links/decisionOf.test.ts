import { expect, test } from "vitest";
import type { MissingLink } from "../../../kit/useMissingLinks";
import { decisionOf } from "./decisionOf";

const link = (source: string, target: string, state: MissingLink["state"] = "open"): MissingLink => ({
  source,
  source_id: source,
  source_title: null,
  target,
  target_id: target,
  target_title: null,
  importance: 1,
  sentence: "s",
  words: `to ${target}`,
  likeness: 0.1,
  state,
});

test("what was settled of the other links of a page stays", () => {
  const all = [link("a", "x", "accepted"), link("a", "y"), link("a", "z", "refused"), link("b", "x")];
  expect(decisionOf(all, all.slice(1, 2), "accepted")).toEqual({
    a: {
      links: [
        { target: "x", text: "to x" },
        { target: "y", text: "to y" },
      ],
      refused: ["z"],
    },
  });
  expect(decisionOf(all, all.slice(0, 1), "open")).toEqual({ a: { links: [], refused: ["z"] } });
});
