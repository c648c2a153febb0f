// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { useLater } from "./useLater";

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

test("a value comes later, and only the last one of many", () => {
  const { result, rerender } = renderHook(({ value }) => useLater(value, 300), { initialProps: { value: "a" } });
  rerender({ value: "ab" });
  act(() => void vi.advanceTimersByTime(299));
  rerender({ value: "abc" });
  act(() => void vi.advanceTimersByTime(299));
  expect(result.current).toBe("a");
  act(() => void vi.advanceTimersByTime(1));
  expect(result.current).toBe("abc");
});
