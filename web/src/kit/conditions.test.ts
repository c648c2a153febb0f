import { describe, expect, it } from "vitest";
import { NO_CONDITIONS, partsOf, readWhere, withPart, writeWhere } from "./conditions";

const words = { field: "words", op: "below", value: 200 };
const depth = { field: "depth", op: "at_least", value: 4 };

describe("conditions of an address", () => {
  it("are read back as they were written", () => {
    const where = { all: [words, { any: [depth, words] }] };
    expect(readWhere(writeWhere(where) ?? null)).toEqual(where);
    expect(writeWhere(NO_CONDITIONS)).toBeUndefined();
  });

  it.each(["", null, "{", "7", "null", '{"any":[]}', '{"all":1}'])("that can't be read count as none: %s", (text) => {
    expect(readWhere(text)).toEqual(NO_CONDITIONS);
  });

  it("are told part by part, each with its alternatives", () => {
    expect(partsOf({ all: [words, { any: [depth, words] }] })).toEqual([[words], [depth, words]]);
  });

  it("are changed without changing what was there", () => {
    const before = { all: [words] };
    expect(withPart(before, 1, [depth])).toEqual({ all: [words, depth] });
    expect(withPart(before, 0, [depth, words])).toEqual({ all: [{ any: [depth, words] }] });
    expect(withPart(before, 0, [])).toEqual(NO_CONDITIONS);
    expect(before).toEqual({ all: [words] });
  });
});
