import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, api, data, type Schemas, type Site } from "../../../api/client";
import { screenAddress, useAddress } from "../../../kit/address";

/** The form's fields as people type them: lists are lines. */
export type Fields = {
  name: string;
  start_urls: string;
  hosts: string;
  include: string;
  exclude: string;
  resolve: string;
  key_pages: string;
  wanted: string;
  kept_out: string;
  agent: string;
  limit: string;
  max_depth: string;
  rate: string;
  concurrency: string;
  ignore_robots: boolean;
  allow_private: boolean;
};

const FRESH: Fields = {
  name: "",
  start_urls: "",
  hosts: "",
  include: "",
  exclude: "",
  resolve: "",
  key_pages: "",
  wanted: "",
  kept_out: "",
  agent: "IronTrellis",
  limit: "500000",
  max_depth: "50",
  rate: "5",
  concurrency: "4",
  ignore_robots: false,
  allow_private: false,
};

const lines = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "");

/** A site's settings as the form shows them. */
export function fieldsOf(site: Site): Fields {
  const settings = site.settings;
  const patterns = (intent: string) =>
    site.intents
      .filter((one) => one.intent === intent)
      .map((one) => one.pattern)
      .join("\n");
  return {
    name: site.name,
    start_urls: (settings.start_urls ?? []).join("\n"),
    hosts: (settings.hosts ?? []).join("\n"),
    include: (settings.include ?? []).join("\n"),
    exclude: (settings.exclude ?? []).join("\n"),
    resolve: Object.entries(settings.resolve ?? {})
      .map(([from, to]) => `${from} to ${to}`)
      .join("\n"),
    key_pages: site.key_pages.join("\n"),
    wanted: patterns("index"),
    kept_out: patterns("keep_out"),
    agent: settings.agent ?? FRESH.agent,
    limit: String(settings.limit ?? FRESH.limit),
    max_depth: String(settings.max_depth ?? FRESH.max_depth),
    rate: String(settings.rate ?? FRESH.rate),
    concurrency: String(settings.concurrency ?? FRESH.concurrency),
    ignore_robots: settings.ignore_robots ?? false,
    allow_private: settings.allow_private ?? false,
  };
}

/** What the API wants; the settings that the form doesn't show stay as they were. */
function inputOf(fields: Fields, before: Site | undefined): Schemas["SiteInput"] {
  const mappings = lines(fields.resolve).map((line) => line.split(/\s+(?:to\s+)?/));
  return {
    name: fields.name,
    settings: {
      ...before?.settings,
      start_urls: lines(fields.start_urls),
      hosts: lines(fields.hosts),
      include: lines(fields.include),
      exclude: lines(fields.exclude),
      resolve: Object.fromEntries(mappings.map(([from, to]) => [from ?? "", to ?? ""])),
      agent: fields.agent.trim(),
      limit: Number(fields.limit),
      max_depth: Number(fields.max_depth),
      rate: Number(fields.rate),
      concurrency: Number(fields.concurrency),
      ignore_robots: fields.ignore_robots,
      allow_private: fields.allow_private,
    },
    intents: [
      ...lines(fields.kept_out).map((pattern) => ({ pattern, intent: "keep_out" as const })),
      ...lines(fields.wanted).map((pattern) => ({ pattern, intent: "index" as const })),
    ],
    key_pages: lines(fields.key_pages),
  };
}

/** State and requests of the Setup screen. */
export function useSetup(site: Site | undefined) {
  const [fields, setFields] = useState<Fields>(site ? fieldsOf(site) : FRESH);
  const { navigate } = useAddress();
  const queries = useQueryClient();

  const save = useMutation({
    mutationFn: () => {
      const body = inputOf(fields, site);
      return site
        ? data(api.PUT("/sites/{site}", { params: { path: { site: site.id } }, body }))
        : data(api.POST("/sites", { body }));
    },
    onSuccess: async (saved) => {
      await queries.invalidateQueries({ queryKey: ["sites"] });
      if (!site) navigate(screenAddress(saved.id, "latest", "crawl/setup"), { replace: true });
    },
  });

  const crawl = useMutation({
    mutationFn: async () => {
      const saved = await save.mutateAsync();
      const path = { site: saved.id };
      return data(api.POST("/sites/{site}/crawls", { params: { path } }));
    },
    onSuccess: async (started) => {
      await queries.invalidateQueries({ queryKey: ["crawls", started.site_id] });
      navigate(screenAddress(started.site_id, "latest", "crawl/live"));
    },
  });

  const failure = save.error ?? crawl.error;
  const error = failure instanceof ApiError ? failure : undefined;
  const set = <K extends keyof Fields>(name: K, value: Fields[K]) => setFields({ ...fields, [name]: value });
  return { fields, set, save, crawl, error, failure, busy: save.isPending || crawl.isPending };
}
