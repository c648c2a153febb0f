import type { Crawl } from "../api/client";
import type { Screen } from "./screen";
import { useCurrent } from "./useCurrent";

/**
 * The crawl that the address names as a screen: there once it is finished, until then `why` says what is waited for.
 */
export function useFinished(why: string): Screen<Crawl> {
  const { crawl, loading, error } = useCurrent();
  if (error) return { state: "failed", error };
  if (loading) return { state: "loading", what: "the crawls" };
  if (crawl?.state !== "finished") return { state: "empty", why };
  return { state: "ready", data: crawl };
}
