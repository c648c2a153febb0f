import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { asked } from "../../../kit/screen";
import { useLater } from "../../../kit/useLater";

export type WorthPage = Schemas["WorthPage"];

/** The pages that are worth working on; one of them is open. */
export function useDesk() {
  const { siteId: site, search, change } = useAddress();
  const [text, setText] = useState("");
  const later = useLater(text, 300);
  const pages = useQuery({
    queryKey: ["desk", site, later],
    queryFn: () => data(api.GET("/sites/{site}/desk", { params: { path: { site }, query: { text: later } } })),
    placeholderData: keepPreviousData,
  });
  return {
    site,
    pages: asked(pages, "the pages"),
    text,
    setText,
    open: search.get("page") ?? undefined,
    choose: (page: string | undefined) => change({ page }),
    view: search.get("view") ?? "pages",
    setView: (view: string) => change({ view }, true),
  };
}

export type DeskList = ReturnType<typeof useDesk>;
