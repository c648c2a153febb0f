import Box from "@mui/material/Box";
import InputBase from "@mui/material/InputBase";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, data, type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { ExportMenu } from "../../../kit/ExportMenu";
import { bytes, counted } from "../../../kit/format";
import { NothingYet } from "../../../kit/NothingYet";
import { Failed, Loading } from "../../../kit/Notice";
import { Toggles } from "../../../kit/Toggles";
import { Title } from "../../../kit/Title";
import { useCurrent } from "../../../kit/useCurrent";
import { useLater } from "../../../kit/useLater";
import { ImageTable } from "./ImageTable";

export type ImageRow = Schemas["ImageRow"];
type Alt = "any" | "missing" | "empty" | "given";

const ALTS: { name: Alt; label: string; title?: string }[] = [
  { name: "any", label: "All" },
  { name: "missing", label: "Alt missing", title: "There is no alt attribute" },
  { name: "empty", label: "Alt empty", title: 'alt="": the image is said to mean nothing' },
  { name: "given", label: "Alt given" },
];

/** The images that pages show: how large, on how many pages, and what is said in their place. */
export default function Images() {
  const { crawl, loading, error } = useCurrent();
  if (error) return <Failed error={error} />;
  if (loading) return <Loading what="the crawls" />;
  if (crawl?.state !== "finished") return <NothingYet>Images are listed once a crawl is finished.</NothingYet>;
  return <ImagesOf crawl={crawl.id} />;
}

function ImagesOf({ crawl }: { crawl: number }) {
  const { search, change } = useAddress();
  const alt = (search.get("alt") ?? "any") as Alt;
  const sort = search.get("sort") ?? "-bytes";
  const [typed, setTyped] = useState(search.get("text") ?? "");
  const text = useLater(typed, 300);
  const query = { text: text || undefined, alt: alt === "any" ? undefined : alt, sort };
  const pages = useInfiniteQuery({
    queryKey: ["images", crawl, query],
    queryFn: ({ pageParam }) =>
      data(api.GET("/crawls/{crawl}/images", { params: { path: { crawl }, query: { ...query, from: pageParam } } })),
    initialPageParam: 0,
    getNextPageParam: (last) => last.next ?? undefined,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const first = pages.data?.pages[0];
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateRows: "auto minmax(0, 1fr)" }}>
      <Title>Images</Title>
      <Box sx={{ px: 2.5, py: 1, display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap" }}>
        <Toggles<Alt>
          choices={ALTS}
          value={alt}
          choose={(name) => change({ alt: name === "any" ? undefined : name }, true)}
          choiceSx={{ py: 0.25, px: 1.5 }}
        />
        <InputBase
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            change({ text: event.target.value || undefined }, true);
          }}
          placeholder="A part of the address or of the alt text"
          inputProps={{ "aria-label": "A part of the address or of the alt text" }}
          sx={{ bgcolor: "background.paper", border: 1, borderColor: "divider", borderRadius: 1, px: 1, width: 300 }}
        />
        {first && (
          <span>
            <strong>{counted(first.total, "image")}</strong>
            {first.bytes > 0 && `, ${bytes(first.bytes)} in all as far as they were fetched`}
          </span>
        )}
        <Box sx={{ flex: 1 }} />
        <ExportMenu path={`crawls/${crawl}/images`} query={query} />
      </Box>
      {pages.error ? (
        <Failed error={pages.error} retry={() => pages.refetch()} />
      ) : !pages.data ? (
        <Loading what="the images" />
      ) : (
        <ImageTable
          crawl={crawl}
          rows={pages.data.pages.flatMap((page) => page.rows)}
          sort={sort}
          setSort={(order) => change({ sort: order === "-bytes" ? undefined : order }, true)}
          more={pages.hasNextPage ? () => void pages.fetchNextPage() : undefined}
        />
      )}
    </Box>
  );
}
