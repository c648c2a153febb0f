import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, data } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import { counted } from "../../../kit/format";
import { Failed, Loading } from "../../../kit/Notice";
import { Plain } from "../../../kit/Plain";
import { UrlText } from "../../../kit/UrlText";
import { MONO } from "../../../theme";
import { UrlLink } from "../../../kit/parts";
import type { FaultSum } from "./Faults";

/** The pages on which one fault is mended, what matters most first. */
export function Places({ crawl, rule }: { crawl: number; rule: FaultSum }) {
  const { to } = useAddress();
  const places = useQuery({
    queryKey: ["faults", crawl, rule.code],
    queryFn: () => data(api.GET("/crawls/{crawl}/faults/{code}", { params: { path: { crawl, code: rule.code } } })),
  });
  if (places.error) return <Failed error={places.error} retry={() => places.refetch()} />;
  if (!places.data) return <Loading what="its places" />;
  const { rows, total } = places.data;
  const about = rows.some((row) => row.about);
  const kind = rule.code.split("-")[0] ?? "";
  const columns = [
    { name: PLACE[kind] ?? "Page" },
    ...(about ? [{ name: ABOUT[kind] ?? "What it is about" }] : []),
    { name: "Importance", width: 88 },
  ];
  return (
    <Box sx={{ minWidth: 0 }}>
      <Plain label={`Where ${rule.code} is`} columns={columns}>
        {rows.map((row) => (
          <tr key={`${row.url_id} ${row.about}`}>
            <td>
              <UrlLink id={row.url_id} url={row.url} />
            </td>
            {about && <td title={row.about ?? undefined}>{row.about && <About text={row.about} />}</td>}
            <td>{row.importance?.toFixed(1) ?? ""}</td>
          </tr>
        ))}
      </Plain>
      <Box sx={{ pt: 1, display: "flex", gap: 3 }}>
        <Link to={to("read/ledger", narrowed({ field: "faults", op: "has", value: rule.code }))}>
          {counted(rule.urls, "URL")} in the ledger
        </Link>
        {total > rows.length && <span>The first {rows.length} are shown here.</span>}
      </Box>
    </Box>
  );
}

/** What the first column names, where it isn't just the page with the fault. */
const PLACE: Record<string, string> = {
  link: "Page with the link",
  outbound: "Page with the link",
  redirect: "Redirecting URL",
};

/** The same of the second column. */
const ABOUT: Record<string, string> = {
  link: "Where it leads",
  outbound: "Where it leads",
  redirect: "Where it leads",
  canonical: "Its canonical",
  sitemap: "Sitemap",
};

function About({ text }: { text: string }) {
  return /^https?:\/\//.test(text) ? (
    <UrlText url={text} size={12} />
  ) : (
    <Box component="span" sx={{ fontFamily: MONO, fontSize: 12 }}>
      {text}
    </Box>
  );
}
