import { expect, test } from "vitest";
import DEFAULTS from "../../../api/defaults.json";
import type { Site } from "../../../api/client";
import { lines } from "../../../kit/lines";
import { type Fields, fieldsOf, fieldsOfSettings, FRESH, inputOf, settingsOf } from "./fields";

test("settings come back from the form as they went in", () => {
  const settings = {
    ...DEFAULTS,
    start_urls: ["https://a.test/", "https://b.test/"],
    exclude: ["/cart/*"],
    caps: [{ pattern: "/tags/* x", most: 100 }],
    resolve: { "a.test:80": "127.0.0.1:8080", "b.test:443": "10.0.0.1" },
    rate: 0,
    body_limit: 2_500_000,
    mode: "list" as const,
  };
  expect(settingsOf({ ...FRESH, ...fieldsOfSettings(settings as never) })).toEqual(settings);
});

test("a new site begins with the defaults of the core", () => {
  expect(settingsOf(FRESH)).toMatchObject({
    rate: DEFAULTS.rate,
    max_depth: DEFAULTS.max_depth,
    agent: DEFAULTS.agent,
  });
});

test.each<[keyof Fields, string, string, number]>([
  ["rate", "", "rate", -1],
  ["rate", "fast", "rate", -1],
  ["rate", " 2.5 ", "rate", 2.5],
  ["limit", "1e3", "limit", 1000],
  ["body_megabytes", "1.5", "body_limit", 1_500_000],
])("%s “%s” is sent as %s %d, so that the server can name what is no number", (field, typed, setting, sent) => {
  expect(settingsOf({ ...FRESH, [field]: typed })).toMatchObject({ [setting]: sent });
});

test("lists are lines; empty ones and blanks around them are nothing", () => {
  expect(lines("  a \n\n\t\nb\r\n")).toEqual(["a", "b"]);
});

test("caps and addresses are read as they are typed", () => {
  const { caps, resolve } = settingsOf({
    ...FRESH,
    caps: "/tags/*   20\n/no number\n",
    resolve: "a.test:80 to 127.0.0.1:8080\nb.test:443 10.0.0.1\nalone",
  });
  expect(caps).toEqual([
    { pattern: "/tags/*", most: 20 },
    { pattern: "/no number", most: 0 },
  ]);
  expect(resolve).toEqual({ "a.test:80": "127.0.0.1:8080", "b.test:443": "10.0.0.1", alone: "" });
});

test.each([
  ["", "https://www.a.test/shop/", "www.a.test"],
  ["", "a.test", "a.test"],
  [" Lamps ", "https://a.test/", "Lamps"],
])("a site named “%s” that begins at %s is called %s", (name, start, called) => {
  expect(inputOf({ ...FRESH, name, start_urls: `\n${start}\n` }).name).toBe(called);
});

const SITE = {
  id: 1,
  name: "Lamps",
  settings: { start_urls: ["https://a.test/"] },
  key_pages: ["https://a.test/", "https://a.test/b"],
  intents: [
    { pattern: "/cart/*", intent: "keep_out" },
    { pattern: "/lamps/*", intent: "index" },
    { pattern: "/old/*", intent: "keep_out" },
  ],
  secrets: { user: "me", password: "••••", headers: ["X-Key: ••••"] },
  timetable: { cron: "0 3 * * *", time_zone: "Europe/Rome" },
} as unknown as Site;

test("a site comes back from the form as it went in, its secrets as they were shown", () => {
  const fields = fieldsOf(SITE);
  expect(fields).toMatchObject({ kept_out: "/cart/*\n/old/*", wanted: "/lamps/*", repeats: true });
  expect(inputOf(fields)).toMatchObject({
    name: "Lamps",
    key_pages: SITE.key_pages,
    intents: [
      { pattern: "/cart/*", intent: "keep_out" },
      { pattern: "/old/*", intent: "keep_out" },
      { pattern: "/lamps/*", intent: "index" },
    ],
    secrets: { user: "me", password: "••••", cookies: "", headers: ["X-Key: ••••"], proxy: "" },
    timetable: SITE.timetable,
  });
});

test("a timetable that is switched off isn’t sent", () => {
  expect(inputOf({ ...fieldsOf(SITE), repeats: false }).timetable).toBeNull();
});
