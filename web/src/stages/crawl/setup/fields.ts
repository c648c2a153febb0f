import DECLARED from "../../../api/defaults.json";
import type { Schemas, Site } from "../../../api/client";
import { lines } from "../../../kit/lines";

/** The form's fields as people type them: lists are lines, numbers are texts. */
export type Fields = {
  name: string;
  start_urls: string;
  mode: "follow" | "list" | "sitemaps";
  list: string;
  hosts: string;
  folders: string;
  include: string;
  exclude: string;
  drop_parameters: string;
  caps: string;
  key_pages: string;
  wanted: string;
  kept_out: string;
  limit: string;
  max_depth: string;
  trap_limit: string;
  keep_crawls: string;
  body_megabytes: string;
  pdfs: boolean;
  images: boolean;
  scripts: boolean;
  styles: boolean;
  check_external: boolean;
  follow_nofollow: boolean;
  rendering: NonNullable<Settings["rendering"]>;
  read_sitemaps: boolean;
  sitemaps: string;
  rate: string;
  concurrency: string;
  keep_crawl_delay: boolean;
  connect_seconds: string;
  first_byte_seconds: string;
  seconds: string;
  retries: string;
  agent: string;
  agent_header: string;
  ignore_robots: boolean;
  resolve: string;
  allow_private: boolean;
  trusted_authority: string;
  user: string;
  password: string;
  cookies: string;
  headers: string;
  proxy: string;
  repeats: boolean;
  cron: string;
  time_zone: string;
};

/** Those that the settings of a crawl hold; the others are the site's own. */
type SettingFields = Omit<
  Fields,
  | "name"
  | "key_pages"
  | "wanted"
  | "kept_out"
  | "user"
  | "password"
  | "cookies"
  | "headers"
  | "proxy"
  | "repeats"
  | "cron"
  | "time_zone"
>;

/** Fields that are lists, a line an entry, under the same name in the settings. */
const LISTS = [
  "start_urls",
  "list",
  "hosts",
  "folders",
  "include",
  "exclude",
  "drop_parameters",
  "sitemaps",
] as const satisfies (keyof Fields & keyof Settings)[];
const NUMBERS = [
  "limit",
  "max_depth",
  "trap_limit",
  "keep_crawls",
  "rate",
  "concurrency",
  "connect_seconds",
  "first_byte_seconds",
  "seconds",
  "retries",
] as const satisfies (keyof Fields & keyof Settings)[];
const SAME = [
  "mode",
  "pdfs",
  "images",
  "scripts",
  "styles",
  "check_external",
  "follow_nofollow",
  "rendering",
  "read_sitemaps",
  "keep_crawl_delay",
  "agent",
  "agent_header",
  "ignore_robots",
  "allow_private",
  "trusted_authority",
] as const satisfies (keyof Fields & keyof Settings)[];

export type Settings = Schemas["CrawlSettings"];
const MEGABYTE = 1_000_000;

/** The defaults of the core. */
const DEFAULTS = DECLARED as Required<Settings>;

/** Settings as the form shows them. */
export function fieldsOfSettings(settings: Settings): SettingFields {
  const fields: Record<string, string | boolean> = {};
  for (const name of LISTS) fields[name] = (settings[name] ?? []).join("\n");
  for (const name of NUMBERS) fields[name] = String(settings[name] ?? DEFAULTS[name]);
  for (const name of SAME) fields[name] = settings[name] ?? DEFAULTS[name];
  fields.body_megabytes = String((settings.body_limit ?? DEFAULTS.body_limit) / MEGABYTE);
  fields.caps = (settings.caps ?? []).map((cap) => `${cap.pattern} ${cap.most}`).join("\n");
  fields.resolve = Object.entries(settings.resolve ?? {})
    .map(([from, to]) => `${from} to ${to}`)
    .join("\n");
  return fields as SettingFields;
}

/** What a new site begins with. */
export const FRESH: Fields = {
  ...fieldsOfSettings(DEFAULTS),
  name: "",
  key_pages: "",
  wanted: "",
  kept_out: "",
  user: "",
  password: "",
  cookies: "",
  headers: "",
  proxy: "",
  repeats: false,
  cron: "30 4 * * mon",
  time_zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
};

/** A site as the form shows it. */
export function fieldsOf(site: Site): Fields {
  const patterns = (intent: string) =>
    site.intents
      .filter((one) => one.intent === intent)
      .map((one) => one.pattern)
      .join("\n");
  const { secrets, timetable } = site;
  return {
    ...FRESH,
    ...fieldsOfSettings(site.settings),
    name: site.name,
    key_pages: site.key_pages.join("\n"),
    wanted: patterns("index"),
    kept_out: patterns("keep_out"),
    user: secrets.user ?? "",
    password: secrets.password ?? "",
    cookies: secrets.cookies ?? "",
    headers: (secrets.headers ?? []).join("\n"),
    proxy: secrets.proxy ?? "",
    ...(timetable ? { repeats: true, cron: timetable.cron, time_zone: timetable.time_zone } : {}),
  };
}

/** The settings that the fields say. A number that is none is sent as it is, so that the server can name it. */
export function settingsOf(fields: Fields): Settings {
  const settings: Record<string, unknown> = {};
  for (const name of LISTS) settings[name] = lines(fields[name]);
  for (const name of NUMBERS) settings[name] = numberOf(fields[name]);
  for (const name of SAME) settings[name] = fields[name];
  settings.agent = fields.agent.trim();
  settings.agent_header = fields.agent_header.trim();
  settings.body_limit = Math.round(numberOf(fields.body_megabytes) * MEGABYTE);
  settings.caps = lines(fields.caps).map(capOf);
  settings.resolve = Object.fromEntries(
    lines(fields.resolve).map((line) => {
      const [from, to] = line.split(/\s+(?:to\s+)?/);
      return [from ?? "", to ?? ""];
    }),
  );
  return settings as Settings;
}

/** What the API wants of the whole form. */
export function inputOf(fields: Fields): Schemas["SiteInput"] {
  return {
    name: fields.name.trim() || hostOf(lines(fields.start_urls)[0] ?? ""),
    settings: settingsOf(fields),
    intents: [
      ...lines(fields.kept_out).map((pattern) => ({ pattern, intent: "keep_out" as const })),
      ...lines(fields.wanted).map((pattern) => ({ pattern, intent: "index" as const })),
    ],
    key_pages: lines(fields.key_pages),
    secrets: {
      user: fields.user,
      password: fields.password,
      cookies: fields.cookies,
      headers: lines(fields.headers),
      proxy: fields.proxy.trim(),
    },
    timetable: fields.repeats ? { cron: fields.cron, time_zone: fields.time_zone } : null,
  };
}

/** The host of an address, or the bare domain itself. */
const hostOf = (address: string) => address.replace(/^https?:\/\//i, "").split("/")[0] ?? "";

/** Below every range, so that what isn't a number is told at its field. */
const numberOf = (text: string) => (text.trim() === "" || Number.isNaN(Number(text)) ? -1 : Number(text));

/** "/tags/* 100" */
function capOf(line: string) {
  const match = /^(.*?)\s+(\d+)$/.exec(line);
  return { pattern: match?.[1] ?? line, most: Number(match?.[2] ?? 0) };
}
