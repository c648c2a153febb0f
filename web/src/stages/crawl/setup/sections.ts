import type { ReactNode } from "react";
import { counted } from "../../../kit/format";
import { Agent, Fetched, Limits, Scope, Secrets, Speed, Start, Wanted, Ways } from "./bodies";
import { lines } from "../../../kit/lines";
import type { Fields } from "./fields";
import { Repeating } from "./Repeating";

export type Section = {
  id: string;
  title: string;
  /** What the section says as it is, in a few words. */
  summary: (fields: Fields) => string;
  /** The settings it holds, so that what is wrong is found where it can be mended. */
  names: string[];
  Body: () => ReactNode;
};

const list = (...parts: (string | false)[]) => parts.filter((part) => part !== false).join(", ");
const some = (text: string, one: string, many?: string) => counted(lines(text).length, one, many);

/** All that a crawl is told, in the order in which it is thought of. */
export const SECTIONS: Section[] = [
  {
    id: "start",
    title: "Where it begins",
    summary: (fields) =>
      fields.mode === "list"
        ? `a list of ${some(fields.list, "URL")}, nothing else`
        : list(
            lines(fields.start_urls)[0] ?? "no start URL yet",
            lines(fields.start_urls).length > 1 && `and ${lines(fields.start_urls).length - 1} more`,
            fields.mode === "sitemaps" ? "only what sitemaps list" : "then link by link",
          ),
    names: ["name", "start_urls", "mode", "list"],
    Body: Start,
  },
  {
    id: "scope",
    title: "What belongs to it",
    summary: (fields) =>
      list(
        lines(fields.hosts).length > 0 ? `${some(fields.hosts, "further host")}` : "the start URLs’ hosts",
        lines(fields.folders).length > 0 && `only ${lines(fields.folders).join(" ")}`,
        lines(fields.exclude).length > 0 && `${some(fields.exclude, "pattern")} not fetched`,
        lines(fields.include).length > 0 && `only ${some(fields.include, "pattern")}`,
        lines(fields.drop_parameters).length > 0 && `without ${lines(fields.drop_parameters).join(", ")}`,
      ),
    names: ["hosts", "folders", "include", "exclude", "drop_parameters"],
    Body: Scope,
  },
  {
    id: "wanted",
    title: "What should be indexed",
    summary: (fields) =>
      list(
        some(fields.key_pages, "key page"),
        lines(fields.wanted).length > 0
          ? `${some(fields.wanted, "pattern")} to be indexed`
          : "what sitemaps list should be indexed",
        lines(fields.kept_out).length > 0 && `${some(fields.kept_out, "pattern")} to be kept out`,
      ),
    names: ["intents", "key_pages"],
    Body: Wanted,
  },
  {
    id: "fetched",
    title: "What is fetched",
    summary: (fields) =>
      list(
        "pages",
        fields.pdfs && "PDFs",
        fields.images && "images",
        fields.scripts && "scripts",
        fields.styles && "styles",
        fields.check_external && "links to other hosts",
        fields.read_sitemaps ? "sitemaps" : "no sitemaps",
        fields.rendering === "rendered" && "pages read after their scripts",
        fields.rendering === "both" && "some pages of each group looked at after their scripts",
      ),
    names: [
      "pdfs",
      "images",
      "scripts",
      "styles",
      "check_external",
      "follow_nofollow",
      "rendering",
      "read_sitemaps",
      "sitemaps",
    ],
    Body: Fetched,
  },
  {
    id: "limits",
    title: "How far it goes",
    summary: (fields) =>
      list(
        `${Number(fields.limit).toLocaleString()} URLs`,
        `${fields.max_depth} clicks`,
        `${fields.body_megabytes} MB an answer`,
        lines(fields.caps).length > 0 && `${some(fields.caps, "pattern")} capped`,
      ),
    names: ["limit", "max_depth", "trap_limit", "body_limit", "caps"],
    Body: Limits,
  },
  {
    id: "speed",
    title: "How fast it asks",
    summary: (fields) =>
      list(
        Number(fields.rate) === 0 ? "as fast as the host answers" : `${fields.rate} requests a second`,
        `${fields.concurrency} at once`,
        fields.keep_crawl_delay ? "crawl-delay kept" : "crawl-delay passed over",
        `${fields.seconds} s for an answer`,
      ),
    names: ["rate", "concurrency", "keep_crawl_delay", "connect_seconds", "first_byte_seconds", "seconds", "retries"],
    Body: Speed,
  },
  {
    id: "agent",
    title: "Who asks, and robots.txt",
    summary: (fields) =>
      list(fields.agent, fields.ignore_robots ? "blocked pages are fetched too, and marked" : "robots.txt is kept to"),
    names: ["agent", "agent_header", "ignore_robots"],
    Body: Agent,
  },
  {
    id: "ways",
    title: "Where requests go",
    summary: (fields) =>
      list(
        lines(fields.resolve).length > 0 ? `${some(fields.resolve, "host")} sent elsewhere` : "where DNS says",
        fields.proxy !== "" && "through a proxy",
        fields.allow_private && "private addresses allowed",
        fields.trusted_authority.trim() !== "" && "a test authority trusted",
      ),
    names: ["resolve", "allow_private", "trusted_authority", "proxy"],
    Body: Ways,
  },
  {
    id: "secrets",
    title: "Sign-in for staging",
    summary: (fields) =>
      list(
        fields.user !== "" && `as ${fields.user}`,
        fields.cookies !== "" && "cookies",
        lines(fields.headers).length > 0 && some(fields.headers, "header"),
      ) || "none",
    names: ["user", "password", "cookies", "headers"],
    Body: Secrets,
  },
  {
    id: "repeating",
    title: "Again by itself",
    summary: (fields) => (fields.repeats ? `${fields.cron}, ${fields.time_zone}` : "only when you start it"),
    names: ["cron", "time_zone"],
    Body: Repeating,
  },
];
