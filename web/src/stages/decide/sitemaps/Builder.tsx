import { Inline, Column, Quiet, Wrong } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { bytes, count, counted, moment } from "../../../kit/format";
import { Part } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { MONO } from "../../../theme";
import { Plan } from "./Plan";
import type { SitemapsData } from "./types";
import { WhyNot } from "../../../kit/WhyNot";
import { useBuilder } from "./useBuilder";

const MOST_GROUPS = 60;
type Build = SitemapsData["builds"][number];

/**
 * A set of sitemaps from what should be indexed: how it shall be made, what it would list, and the files to download.
 */
export function Builder({ site, sitemaps }: { site: number; sitemaps: SitemapsData }) {
  const build = useBuilder(site);
  const newest = sitemaps.builds[0];
  const { difference, outline } = sitemaps;
  const listed = difference.stays.total + difference.joins.total;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: "clamp(260px, 28vw, 360px) minmax(0, 1fr)",
        columnGap: 4,
        px: 2.5,
        overflow: "auto",
        alignContent: "start",
      }}
    >
      <Column>
        <Part level="h2" title="How it shall be made">
          <Plan
            key={sitemaps.decision?.id ?? 0}
            site={site}
            plan={sitemaps.plan}
            groups={outline.map((one) => one.group)}
          />
        </Part>
      </Column>
      <Box sx={{ display: "grid", gap: 3, alignContent: "start", minWidth: 0 }}>
        <Part level="h2" title="What a set built now would list">
          <Inline gap={2} mb={1}>
            <span>
              {listed === 0 ? (
                "Nothing yet: decide first what should be indexed, under Intent."
              ) : (
                <>
                  <strong>{counted(listed, "URL")}</strong>: pages that should be indexed and can be. Against the
                  published files {count(difference.joins.total)} more, {count(difference.leaves.total)} fewer.
                </>
              )}
            </span>
            <Button
              sx={{ ml: "auto" }}
              variant="contained"
              disabled={listed === 0 || build.isPending || newest?.state === "waiting"}
              onClick={() => build.mutate()}
            >
              {newest?.state === "waiting" ? "Building …" : "Build the set"}
            </Button>
          </Inline>
          <WhyNot error={build.error} />
          <Box
            component="ul"
            aria-label="Groups that would be listed"
            sx={{ listStyle: "none", m: 0, p: 0, columnWidth: 220, columnGap: 3 }}
          >
            {outline.slice(0, MOST_GROUPS).map((one) => (
              <Inline component="li" key={`${one.origin} ${one.group}`} align="stretch" between>
                <Box
                  component="span"
                  sx={{
                    fontFamily: MONO,
                    fontSize: 12,
                    overflow: "hidden",
                    textOverflow: "ellipsis",
                    whiteSpace: "nowrap",
                  }}
                  title={one.group}
                >
                  {one.group}
                </Box>
                {count(one.urls)}
              </Inline>
            ))}
          </Box>
          {outline.length > MOST_GROUPS && <Quiet>and {counted(outline.length - MOST_GROUPS, "smaller group")}</Quiet>}
        </Part>
        {sitemaps.builds.map((one, place) => (
          <Built key={one.id} site={site} build={one} newest={place === 0} />
        ))}
      </Box>
    </Box>
  );
}

const at = ({ host, name }: { host: string; name: string }) => ({ host, name });

function Built({ site, build, newest }: { site: number; build: Build; newest: boolean }) {
  if (build.state === "waiting") return <Box role="status">A set is being built.</Box>;
  if (build.state === "failed") return <Wrong role="alert">The set couldn't be built: {build.message}</Wrong>;
  const size = `${counted(build.urls, "URL")} in ${counted(build.files.length, "file")}`;
  return (
    <Part level="h2" title={`Built ${moment(build.built_at ?? build.asked_at)}: ${size}`}>
      <Inline gap={2}>
        <Button component="a" variant="outlined" href={`/api/sites/${site}/sitemaps/${build.id}.zip`} download>
          Download all, as they must lie on the servers
        </Button>
        {newest && (
          <Box
            component="code"
            sx={{ fontFamily: MONO, fontSize: 12, whiteSpace: "pre" }}
            title="What robots.txt must say"
          >
            {build.robots_lines.join("\n")}
          </Box>
        )}
      </Inline>
      {newest && (
        <Plain
          label="Files of the set"
          columns={[
            { name: "File" },
            { name: "Lists", width: 90, right: true },
            { name: "Size", width: 90, right: true },
            { name: "Newest change", width: 200 },
          ]}
        >
          {build.files.map((file) => (
            <tr key={`${file.host} ${file.name}`}>
              <td>
                <a
                  href={`/api/sites/${site}/sitemaps/${build.id}/file?${new URLSearchParams(at(file))}`}
                  download
                  style={{ fontFamily: MONO, fontSize: 12 }}
                >
                  {file.host.replace(/^https?:\/\//, "")}/{file.name}
                </a>
              </td>
              <td className="number">{count(file.urls)}</td>
              <td className="number">{bytes(file.bytes)}</td>
              <td>{file.lastmod ? moment(file.lastmod) : "none was seen"}</td>
            </tr>
          ))}
        </Plain>
      )}
    </Part>
  );
}
