import { useCurrent } from "./useCurrent";
import { UrlText } from "./UrlText";

/** A URL; one of the site's main host goes without it. */
export function SiteUrl({ url, size }: { url: string; size?: number }) {
  const { crawl } = useCurrent();
  const main = originOf(crawl?.settings.start_urls?.[0]);
  return (
    <UrlText
      url={url}
      withHost={main === null || !url.startsWith(`${main}/`)}
      {...(size === undefined ? {} : { size })}
    />
  );
}

/** The origin of a start URL; none of a bare domain that was never fetched. */
function originOf(start: string | undefined) {
  try {
    return start === undefined ? null : new URL(start).origin;
  } catch {
    return null;
  }
}
