import { Inline, Spacer, Whole } from "../../../kit/pieces";
import { useFinished } from "../../../kit/useFinished";
import { Unready } from "../../../kit/Unready";
import InputBase from "@mui/material/InputBase";
import { ExportMenu } from "../../../kit/ExportMenu";
import { bytes, counted } from "../../../kit/format";
import { Toggles } from "../../../kit/Toggles";
import { Title } from "../../../kit/Title";
import { ImageTable } from "./ImageTable";
import { useImages, Alt } from "./useImages";

const ALTS: { name: Alt; label: string; title?: string }[] = [
  { name: "any", label: "All" },
  { name: "missing", label: "Alt missing", title: "There is no alt attribute" },
  { name: "empty", label: "Alt empty", title: 'alt="": the image is said to mean nothing' },
  { name: "given", label: "Alt given" },
];

/** The images that pages show: how large, on how many pages, and what is said in their place. */
export default function Images() {
  const crawl = useFinished("Images are listed once a crawl is finished.");
  if (crawl.state !== "ready") return <Unready screen={crawl} />;
  return <ImagesOf crawl={crawl.data.id} />;
}

function ImagesOf({ crawl }: { crawl: number }) {
  const { change, alt, sort, typed, setTyped, query, pages, rows, first } = useImages({ crawl });
  return (
    <Whole rows="auto minmax(0, 1fr)">
      <Title>Images</Title>
      <Inline gap={2} wrap px={2.5} py={1}>
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
        <Spacer />
        <ExportMenu path={`crawls/${crawl}/images`} query={query} />
      </Inline>
      {rows.state !== "ready" ? (
        <Unready screen={rows} />
      ) : (
        <ImageTable
          crawl={crawl}
          rows={rows.data}
          sort={sort}
          setSort={(order) => change({ sort: order === "-bytes" ? undefined : order }, true)}
          more={pages.hasNextPage ? () => void pages.fetchNextPage() : undefined}
        />
      )}
    </Whole>
  );
}
