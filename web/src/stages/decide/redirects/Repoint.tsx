import Stack from "@mui/material/Stack";
import { Inline, Clipped, Columns, Narrow, PlainList, Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { type Crawl, type Schemas } from "../../../api/client";
import { TABLES } from "../../../api/formats";
import { count, counted } from "../../../kit/format";
import { CheckNow } from "../../../kit/CheckNow";
import { FileLinks } from "../../../kit/FileLinks";
import { UrlLink } from "../../../kit/parts";
import { UrlText } from "../../../kit/UrlText";
import { useDecide } from "../../../kit/useDecide";
import { MONO } from "../../../theme";
import { WhyNot } from "../../../kit/WhyNot";
import { useRepoint } from "./useRepoint";
import { SiteUrl } from "../../../kit/SiteUrl";

type Row = Schemas["Repoint"]["rows"][number];
const COLUMNS = "minmax(0, 4fr) minmax(0, 4fr) minmax(0, 4fr) 86px";

/** Links that go through a redirect or to a missing page: the same link on many pages comes from their template. */
export function Repoint({ site, crawl }: { site: number; crawl: Crawl }) {
  const { links } = useRepoint({ crawl });
  if (links.state !== "ready") return <Unready screen={links} />;
  const { rows, total, kinds } = links.data;
  return (
    <Scroll>
      <Inline gap={0} align="stretch" between mb={1}>
        <Quiet>
          {total === 0
            ? "Every link leads straight to a page."
            : `${counted(total, "link")} in ${counted(kinds, "kind")}; those that stand on most pages first` +
              (kinds > rows.length ? `, of which ${count(rows.length)} are shown. The files hold all.` : ".")}
        </Quiet>
        <FileLinks
          what="Link by link for editors:"
          files={TABLES.map(({ name: format }) => ({
            name: format.toUpperCase(),
            href: `/api/crawls/${crawl.id}/repoint.${format}`,
          }))}
        />
      </Inline>
      <Box
        aria-hidden
        sx={{
          display: "grid",
          gridTemplateColumns: COLUMNS,
          columnGap: 2,
          fontSize: 12,
          color: "text.secondary",
          borderBottom: "2px solid",
          borderColor: "iron",
        }}
      >
        <span>The link, and where it stands</span>
        <span>Leads to</span>
        <span>Should lead to</span>
        <span />
      </Box>
      <PlainList aria-label="Links to repoint">
        {rows.map((row) => (
          <Item key={`${row.target} ${row.text} ${row.place}`} row={row} site={site} crawl={crawl.id} />
        ))}
      </PlainList>
    </Scroll>
  );
}

/** What has to be done first, where nothing says to where a link should lead. */
function whyOpen({ status, final_url }: Row) {
  if (status === 410) return "Gone on purpose (410): take the link out, or lead it elsewhere";
  if (status !== null && status >= 300 && status < 400)
    return final_url === null
      ? "Its redirect goes round in a circle: fix that first, under Redirects"
      : "Its redirect doesn’t end at a page: fix that first, under Redirects";
  return "No target chosen yet: choose one under Broken, or lead the link elsewhere";
}

function Item({ row, site, crawl }: { row: Row; site: number; crawl: number }) {
  const [editing, setEditing] = useState(false);
  return (
    <Columns component="li" of={COLUMNS} across={2} ruled py={0.75}>
      <Narrow>
        <strong>“{row.text ?? "no text"}”</strong> in {row.place ?? "the body"} of{" "}
        {row.template ? `the template of ${row.group} (${counted(row.pages, "page")})` : counted(row.pages, "page")}
        {!row.template &&
          row.samples.map((url) => (
            <Clipped key={url}>
              <SiteUrl url={url} size={12} />
            </Clipped>
          ))}
      </Narrow>
      <Narrow>
        <UrlLink id={row.target_id} url={row.target} />
        <Quiet small>
          {row.status}
          {row.final_url && row.final_url !== row.target && ` → ${row.final_status ?? "?"} ${row.final_url}`}
        </Quiet>
      </Narrow>
      {editing ? (
        <Edit row={row} site={site} close={() => setEditing(false)} />
      ) : (
        <>
          <Clipped>
            {row.better ? <UrlText url={row.better} size={12} withHost /> : <Quiet>{whyOpen(row)}</Quiet>}
            {row.chosen?.text && <Box sx={{ fontSize: 12 }}>says “{row.chosen.text}”</Box>}
            {row.decision !== null && <CheckNow crawl={crawl} decision={row.decision} />}
          </Clipped>
          <Button sx={{ py: 0, alignSelf: "start" }} onClick={() => setEditing(true)}>
            Change
          </Button>
        </>
      )}
    </Columns>
  );
}

function Edit({ row, site, close }: { row: Row; site: number; close: () => void }) {
  const [target, setTarget] = useState(row.better ?? "");
  const [text, setText] = useState(row.chosen?.text ?? row.text ?? "");
  const decide = useDecide(site);
  return (
    <>
      <Stack spacing={0.5}>
        <TextField
          variant="standard"
          value={target}
          onChange={(event) => setTarget(event.target.value)}
          slotProps={{ htmlInput: { "aria-label": "Better target", style: { fontFamily: MONO, fontSize: 12 } } }}
        />
        <TextField
          variant="standard"
          value={text}
          onChange={(event) => setText(event.target.value)}
          slotProps={{ htmlInput: { "aria-label": "New text of the link" } }}
        />
        <WhyNot error={decide.error} />
      </Stack>
      <Button
        sx={{ alignSelf: "start" }}
        disabled={decide.isPending || target.trim() === ""}
        onClick={() =>
          decide.mutate(
            { kind: "repoint", wishes: { [row.target]: { target: target.trim(), text } } },
            { onSuccess: close },
          )
        }
      >
        Keep
      </Button>
    </>
  );
}
