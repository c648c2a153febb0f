import { useCallback } from "react";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { type Condition, writeWhere } from "./conditions";

/** Where we are: every state of a screen stands in its address. */
export function useAddress() {
  const { site, crawl } = useParams();
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const siteId = Number(site);
  const crawlName = crawl ?? "latest";

  const change = useCallback(
    (changes: Record<string, string | undefined>, replace = false) => {
      setSearch(
        (old) => {
          const next = new URLSearchParams(old);
          for (const [name, value] of Object.entries(changes)) {
            if (value === undefined) next.delete(name);
            else next.set(name, value);
          }
          return next;
        },
        { replace },
      );
    },
    [setSearch],
  );

  const to = useCallback(
    (screen: string, query: Record<string, string | undefined> = {}) => screenAddress(siteId, crawlName, screen, query),
    [siteId, crawlName],
  );

  return { siteId, crawlName, search, change, to, navigate };
}

/** The address of a screen, such as "read/ledger". */
export function screenAddress(
  site: number,
  crawl: string,
  screen: string,
  query: Record<string, string | undefined> = {},
) {
  const given = Object.entries(query).filter((pair): pair is [string, string] => pair[1] !== undefined);
  const text = new URLSearchParams(given).toString();
  return `/s/${site}/c/${crawl}/${screen}${text ? `?${text}` : ""}`;
}

/** The query of the ledger narrowed to what these conditions say. */
export const narrowed = (...conditions: Condition[]) => ({ where: writeWhere({ all: conditions }) });
