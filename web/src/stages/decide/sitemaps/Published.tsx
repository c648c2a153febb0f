import { Apart, Inline, Clipped, Column, Columns, Narrow, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { useState } from "react";
import { Link } from "react-router";
import type { Crawl } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import { FaultTitles } from "../../../kit/FaultTitles";
import { bytes, count, counted } from "../../../kit/format";
import { WITH_ASIDE } from "../../../kit/layout";
import { LinkButton } from "../../../kit/LinkButton";
import { Part, UrlLink } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { Sign } from "../../../kit/signs/Sign";
import { causeOf } from "../../../kit/rungs";
import { UrlText } from "../../../kit/UrlText";
import { SitemapNow } from "./SitemapNow";
import type { SitemapsData } from "./types";

type File = SitemapsData["files"][number];
type Change = SitemapsData["difference"]["joins"];

const COLUMNS = [
  { name: "File" },
  { name: "Lists", width: 64, right: true },
  { name: "Indexable", width: 76, right: true },
  { name: "Should be indexed", width: 84, right: true },
  { name: "Belong here", width: 76, right: true },
  { name: "Size", width: 64, right: true },
  { name: "Faults", width: 210 },
];

const FOUND: Record<File["found"], string> = {
  robots: "named by robots.txt",
  usual: "found at a usual address",
  settings: "given in the settings",
  file: "named by another file",
};

/** The published files as a tree, each with what it lists against what it should, and what the whole set leaves out. */
export function Published({ crawl, sitemaps }: { crawl: Crawl; sitemaps: SitemapsData }) {
  const { files, difference } = sitemaps;
  return (
    <Box sx={WITH_ASIDE}>
      <Narrow>
        {files.length === 0 ? (
          <Quiet>
            The crawl found none: no robots.txt names one, and none lies at the usual addresses (/sitemap.xml,
            /sitemap_index.xml, /sitemap-index.xml, /sitemap.xml.gz, /sitemap.txt). Build a set from what should be
            indexed.
          </Quiet>
        ) : (
          <Plain label="Published sitemaps" columns={COLUMNS}>
            {inOrder(files).map(({ file, depth }) => (
              <Row
                key={file.url}
                crawl={crawl.id}
                file={file}
                depth={depth}
                files={files.filter((one) => one.parent === file.url && one !== file).length}
              />
            ))}
          </Plain>
        )}
      </Narrow>
      <Column>
        <Part level="h2" title="Against what they should list">
          <Box>
            {difference.stays.total + difference.joins.total === 0 ? (
              "Decide first what should be indexed, under Intent: then this tells what the sitemaps should list."
            ) : (
              <>
                <strong>{count(difference.stays.total)}</strong> belong here: they should be indexed and can be.
              </>
            )}
          </Box>
          {difference.stays.total + difference.joins.total > 0 && (
            <Changed change={difference.joins} one="page is missing from them" many="pages are missing from them" />
          )}
          <Changed change={difference.leaves} one="address doesn't belong there" many="addresses don't belong there" />
        </Part>
      </Column>
    </Box>
  );
}

/** Files below what names them. */
function inOrder(files: File[]) {
  const named = new Set(files.map((one) => one.url));
  const below = (parent: string, depth: number): { file: File; depth: number }[] =>
    depth > 5
      ? []
      : files
          .filter((one) => one.parent === parent && one.url !== parent)
          .flatMap((file) => [{ file, depth }, ...below(file.url, depth + 1)]);
  return files
    .filter((one) => one.parent === null || !named.has(one.parent) || one.parent === one.url)
    .flatMap((file) => [{ file, depth: 0 }, ...below(file.url, 1)]);
}

type RowProps = { crawl: number; file: File; depth: number; files: number };

function Row({ crawl, file, depth, files }: RowProps) {
  const { to } = useAddress();
  const [again, setAgain] = useState(false);
  const failed = file.status !== 200;
  const index = file.kind === "index";
  return (
    <>
      <tr>
        <Apart component="td" pl={depth * 2}>
          {index || failed ? (
            <UrlText url={file.url} size={12} withHost={depth === 0} />
          ) : (
            <Link to={to("read/ledger", narrowed({ field: "in_sitemaps", op: "has", value: file.url }))}>
              <UrlText url={file.url} size={12} withHost={depth === 0} />
            </Link>
          )}
          <Quiet small>
            {depth === 0 && `${FOUND[file.found]} · `}
            <LinkButton act={() => setAgain(!again)}>{again ? "put it away" : "read it again now"}</LinkButton>
          </Quiet>
        </Apart>
        {failed ? (
          <Box component="td" colSpan={5} sx={{ color: "rust", textAlign: "right" }}>
            {file.status === null ? `no answer (${file.error})` : `status ${file.status}`}
          </Box>
        ) : (
          <>
            <td className="number">{index ? counted(files, "file") : count(file.entries)}</td>
            <td className="number">{index ? "" : count(file.indexable ?? 0)}</td>
            <td className="number">{index ? "" : count(file.wanted ?? 0)}</td>
            <td className="number">{index ? "" : count(file.belonging ?? 0)}</td>
            <td className="number">{file.bytes === null ? "" : bytes(file.bytes)}</td>
          </>
        )}
        <Box component="td" sx={{ "&&": { whiteSpace: "normal" } }}>
          <FaultTitles codes={file.faults} linked />
        </Box>
      </tr>
      {again && (
        <tr>
          <Box component="td" colSpan={COLUMNS.length} sx={{ "&&": { whiteSpace: "normal", pl: 3 } }}>
            <SitemapNow crawl={crawl} url={file.url} />
          </Box>
        </tr>
      )}
    </>
  );
}

function Changed({ change, one, many }: { change: Change; one: string; many: string }) {
  return (
    <Apart mt={1.5}>
      <Inline>
        <Sign state={change.total === 0 ? "passes" : "weakens"} />
        <strong>{counted(change.total, one, many)}</strong>
      </Inline>
      <Box sx={{ maxHeight: 220, overflow: "auto" }}>
        {change.rows.slice(0, 100).map((row) => (
          <Columns key={row.url_id} of="minmax(0, 1fr) auto" gap={1} align="baseline" pr={1}>
            <Clipped>
              <UrlLink id={row.url_id} url={row.url} />
            </Clipped>
            <Box component="span" sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
              {row.stop ? causeOf(row.stop) : row.intent === "keep_out" ? "should be kept out" : ""}
            </Box>
          </Columns>
        ))}
      </Box>
    </Apart>
  );
}
