import { asked } from "../../../kit/screen";
import { useQuery } from "@tanstack/react-query";
import { api, data } from "../../../api/client";

/** What DossierView asks for and keeps. */
export function useDossierView({ crawl, url }: { crawl: number; url: string }) {
  const dossier = useQuery({
    queryKey: ["dossier", crawl, url],
    queryFn: () => data(api.GET("/crawls/{crawl}/urls/{url}", { params: { path: { crawl, url } } })),
  });
  return { dossier: asked(dossier, "the dossier") };
}
