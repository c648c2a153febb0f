import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, api, data, type Crawl, type Site } from "../../../api/client";
import { screenAddress, useAddress } from "../../../kit/address";
import { type Fields, FRESH, fieldsOf, fieldsOfSettings, inputOf } from "./fields";

/** State and requests of the Setup screen. */
export function useSetup(site: Site | undefined) {
  const [fields, setFields] = useState<Fields>(site ? fieldsOf(site) : FRESH);
  const { navigate } = useAddress();
  const queries = useQueryClient();

  const save = useMutation({
    mutationFn: () => {
      const body = inputOf(fields);
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
      return data(api.POST("/sites/{site}/crawls", { params: { path: { site: saved.id } } }));
    },
    onSuccess: async (started) => {
      await queries.invalidateQueries({ queryKey: ["crawls", started.site_id] });
      navigate(screenAddress(started.site_id, "latest", "crawl/live"));
    },
  });

  const failure = save.error ?? crawl.error;
  return {
    fields,
    set: <K extends keyof Fields>(name: K, value: Fields[K]) => setFields((before) => ({ ...before, [name]: value })),
    /** Takes over what an earlier crawl was told. */
    copyFrom: (earlier: Crawl) => setFields((before) => ({ ...before, ...fieldsOfSettings(earlier.settings) })),
    save,
    crawl,
    error: failure instanceof ApiError ? failure : undefined,
    failure,
    busy: save.isPending || crawl.isPending,
  };
}
