import { expect, test } from "vitest";
import { type Decision, valueOf } from "./decisions";

const decision = {
  id: 1,
  kind: "intent",
  subject: "http://a.test/",
  value: { intent: "index" },
} as unknown as Decision;

test("what was decided is read as what its kind says, and as nothing where the kind is another", () => {
  expect(valueOf(decision, "intent")).toEqual({ intent: "index" });
  expect(valueOf(decision, "route")).toBeNull();
  expect(valueOf({ ...decision, value: null }, "intent")).toBeNull();
  expect(valueOf(undefined, "intent")).toBeNull();
});
