// @vitest-environment jsdom
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, test } from "vitest";
import type { Crawl } from "../../../api/client";
import { answers, within } from "../../../kit/testing";
import { type Proposal, useIntent } from "./useIntent";

const CRAWL = { id: 7, run: 3 } as Crawl;
const proposal = (given: Partial<Proposal>) =>
  ({ group: "/g/", intent: "keep_out", urls: null, except: [], ...given }) as Proposal;

function intents(bodies: Parameters<typeof answers>[0] = {}) {
  const asked = answers({
    "/api/crawls/7/intent": [200, { groups: [], proposals: [] }],
    "/api/crawls/7/intent/trial": [200, { changes: [] }],
    "/api/sites/1/decisions": [200, { decisions: [] }],
    ...bodies,
  });
  const { result } = renderHook(() => useIntent(1, CRAWL), { wrapper: within("/s/1/c/7/decide/intent") });
  const decided = () => asked.filter((one) => one.url.pathname.endsWith("/decisions")).map((one) => one.body);
  return { result, asked, decided };
}

test("what is drafted is tried once the hand rests, with all that was drafted before", async () => {
  const { result, asked } = intents();
  act(() => result.current.draft("group", "/cart/", { intent: "keep_out" }));
  act(() => result.current.draft("intent", "http://a.test/", { intent: "index" }));
  await waitFor(() =>
    expect(asked.at(-1)?.body).toEqual({
      values: [
        { kind: "group", subject: "/cart/", value: { intent: "keep_out" } },
        { kind: "intent", subject: "http://a.test/", value: { intent: "index" } },
      ],
    }),
  );
});

test("accepted proposals leave alone what was drafted by hand", () => {
  const { result } = intents();
  act(() => result.current.draft("group", "/cart/", { intent: "index" }));
  act(() =>
    result.current.accept([
      proposal({ group: "/cart/" }),
      proposal({ group: "/search/", except: ["http://a.test/search/help"] }),
      proposal({ group: "/tags/", intent: "index", urls: ["http://a.test/tags/brass"] }),
    ]),
  );
  expect(result.current.drafts.group).toEqual({ "/cart/": { intent: "index" }, "/search/": { intent: "keep_out" } });
  expect(result.current.drafts.intent).toEqual({
    "http://a.test/search/help": { intent: "undecided" },
    "http://a.test/tags/brass": { intent: "index" },
  });
  expect(result.current.drafted).toBe(4);
});

test("groups are decided before pages, both with the note, and the drafts are done with", async () => {
  const { result, decided } = intents();
  act(() => result.current.draft("intent", "http://a.test/", { intent: "index" }));
  act(() => result.current.draft("group", "/cart/", null));
  act(() => result.current.setNote("agreed on Monday"));
  await act(() => result.current.save());
  expect(decided()).toEqual([
    { kind: "group", note: "agreed on Monday", values: [{ subject: "/cart/", value: null }] },
    { kind: "intent", note: "agreed on Monday", values: [{ subject: "http://a.test/", value: { intent: "index" } }] },
  ]);
  expect([result.current.drafted, result.current.note]).toEqual([0, ""]);
});

test("drafts that could not be decided are still there", async () => {
  const { result } = intents({
    "/api/sites/1/decisions": [503, { status: 503, detail: "PostgreSQL can’t be reached." }],
  });
  act(() => result.current.draft("group", "/cart/", { intent: "keep_out" }));
  await act(() => result.current.save().catch(() => undefined));
  await waitFor(() => expect(result.current.decide.error?.message).toBe("PostgreSQL can’t be reached."));
  expect(result.current.drafted).toBe(1);
});
