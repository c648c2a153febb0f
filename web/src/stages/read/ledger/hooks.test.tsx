// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { LedgerRow } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { useLedger } from "./useLedger";
import { useSelection } from "./useSelection";

const rows = ["a", "b", "c", "d"].map((id) => ({ url_id: id, url: `http://a.test/${id}` }) as LedgerRow);

test("a range reaches from the row that was picked last", () => {
  const { result } = renderHook(() => useSelection(rows));
  act(() => result.current.flip(3));
  act(() => result.current.range(1));
  expect(result.current.urls).toEqual(["http://a.test/b", "http://a.test/c", "http://a.test/d"]);
  act(() => result.current.flip(2));
  expect([...result.current.picked].sort()).toEqual(["b", "d"]);
  act(() => result.current.clear());
  expect(result.current.urls).toEqual([]);
});

const TOTALS = { urls: 1 };
const where = JSON.stringify({ all: [{ field: "words", op: "below", value: 200 }] });

test("the ledger asks for what its address says, and its rows are there when they were read", async () => {
  const asked = answers({
    "/api/crawls/7/urls": [200, { rows: [rows[0]], next: null }],
    "/api/crawls/7/totals": [200, TOTALS],
  });
  const wrapper = within(`/s/1/c/7/read/ledger?sort=-words&where=${encodeURIComponent(where)}`);
  const { result } = renderHook(() => useLedger(7), { wrapper });
  expect(result.current.shown.state).toBe("loading");
  await waitFor(() => expect(result.current.shown.state).toBe("ready"));
  expect(result.current.rows).toEqual([rows[0]]);
  const first = asked.find((one) => one.url.pathname.endsWith("/urls"))?.url;
  expect([first?.searchParams.get("sort"), first?.searchParams.get("where")]).toEqual(["-words", where]);
});

test("narrowing adds to the conditions and keeps the order", async () => {
  answers({ "/api/crawls/7/urls": [200, { rows: [], next: null }], "/api/crawls/7/totals": [200, TOTALS] });
  const wrapper = within(`/s/1/c/7/read/ledger?sort=-words&where=${encodeURIComponent(where)}`);
  const { result } = renderHook(() => useLedger(7), { wrapper });
  act(() => result.current.narrow({ field: "status", op: "is", value: 200 }));
  expect(result.current.where).toEqual({ all: [JSON.parse(where).all[0], { field: "status", op: "is", value: 200 }] });
  expect(result.current.sort).toBe("-words");
});

test("a failed ledger says why, and tries again in the usual order", async () => {
  answers({
    "/api/crawls/7/urls": [422, { code: "x", status: 422, detail: "The ledger has no column “x”." }],
    "/api/crawls/7/totals": [200, TOTALS],
  });
  const { result } = renderHook(() => useLedger(7), { wrapper: within("/s/1/c/7/read/ledger?sort=x") });
  await waitFor(() => expect(result.current.shown.state).toBe("failed"));
  const { shown } = result.current;
  if (shown.state !== "failed") throw new Error(shown.state);
  expect(shown.error.message).toContain("no column “x”");
  act(() => shown.retry?.());
  expect(result.current.sort).toBe("url");
});
