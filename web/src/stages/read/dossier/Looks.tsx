import Stack from "@mui/material/Stack";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Schemas } from "../../../api/client";
import { PagePicture } from "../../../kit/PagePicture";
import { Facts, Part } from "../../../kit/parts";
import { Apart, Inline, Columns, Quiet, Wrong } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { count, counted } from "../../../kit/format";
import { Console, Requests } from "./LookDetails";
import { type Look, type RenderedPage, useLooks } from "./useLooks";

/** The page rendered now: what scripts make of it, what a visitor is shown otherwise, and how it lies on a phone. */
export function Looks({ crawl, url }: { crawl: number; url: string }) {
  const { looks, running } = useLooks({ crawl, url });
  return (
    <Part title="After its scripts, as crawler and as visitor">
      <Inline gap={1.5} mb={1}>
        <Button variant="outlined" size="small" disabled={looks.isPending} onClick={() => looks.mutate()}>
          Render it now
        </Button>
        <Quiet component="span" role="status">
          {looks.isPending
            ? `Rendering, ${(running?.done ?? 0) + 1} of ${running?.total ?? 3} …`
            : "As the crawler, as a visitor, and on a phone; it may come out otherwise from one time to the next."}
        </Quiet>
      </Inline>
      {looks.error && <Box role="alert">{looks.error.message}</Box>}
      {looks.data && <Told page={looks.data} />}
    </Part>
  );
}

function Told({ page }: { page: RenderedPage }) {
  const crawler = page.looks[0];
  return (
    <Stack spacing={2}>
      <Columns of="minmax(0, 3fr) minmax(0, 3fr) minmax(0, 2fr)" gap={2}>
        {page.looks.map((look) => (
          <One key={`${look.agent} ${look.width}`} look={look} />
        ))}
      </Columns>
      <Changes
        title="What scripts change"
        none="Scripts change nothing that counts."
        one="As it is sent"
        other="After scripts"
        rows={page.by_script.changes}
      />
      <Lists title="Only after scripts" links={page.by_script.links} lines={page.by_script.text} />
      <Changes
        title="What a visitor is shown otherwise"
        none="A visitor is shown the same as the crawler."
        one="The crawler"
        other="A visitor"
        rows={page.by_agent.changes}
      />
      <Lists title="Only the crawler reads" links={[]} lines={page.by_agent.only_crawler} />
      <Lists title="Only a visitor reads" links={[]} lines={page.by_agent.only_visitor} />
      {crawler && <Requests look={crawler} />}
      {crawler && <Console look={crawler} />}
    </Stack>
  );
}

const WHO = { crawler: "The crawler", visitor: "A visitor" };
const ENDS = {
  quiet: "until the network was quiet",
  time: "until the time was up",
  navigations: "until it had moved too often",
  hung: "until it stopped answering",
};

function One({ look }: { look: Look }) {
  const phone = look.width < 600;
  const layout = look.layouts.find((one) => one.width === look.width);
  const name = `${WHO[look.agent]}, ${phone ? "on a phone" : "on a desk"}, ${look.width} px`;
  return (
    <Stack spacing={0.5} component="figure" sx={{ m: 0 }}>
      <Box component="figcaption" sx={{ fontWeight: 650 }}>
        {name}
      </Box>
      {look.screenshot ? (
        <PagePicture picture={look.screenshot} alt={`How the page looks: ${name}`} label={name} maxHeight={320} />
      ) : (
        <Wrong>{look.error_detail ?? "No picture came."}</Wrong>
      )}
      <Facts
        rows={[
          ["Answer", String(look.status ?? "none")],
          ["Rendered", look.ended_by ? ENDS[look.ended_by] : "not"],
          ["Words", count(look.words ?? 0)],
          ...(layout ? fits(layout) : []),
        ]}
      />
    </Stack>
  );
}

const fits = (layout: Look["layouts"][number]): [string, string][] => [
  ["Width", layout.content > layout.width + 1 ? `${layout.content} px: wider than the window` : "fits the window"],
  ["Small text", layout.small_signs > 0 ? `${counted(layout.small_signs, "sign")} below 12 px` : "none below 12 px"],
  ["Small targets", `${layout.small_targets} of ${layout.targets} below 24 px`],
];

/** What isn't told by its own name. */
const NAMES: Record<string, string> = { text: "words of the text", h1: "H1", links: "links", words: "words" };

type ChangesProps = { title: string; none: string; one: string; other: string; rows: Schemas["Differing"][] };

function Changes({ title, none, one, other, rows }: ChangesProps) {
  return (
    <Part title={title} level="h3">
      {rows.length === 0 ? (
        <Quiet>{none}</Quiet>
      ) : (
        <Roomy label={title} columns={["What", one, other]}>
          {rows.map((row) => (
            <tr key={row.what}>
              <td>{NAMES[row.what] ?? row.what}</td>
              <td>{row.one || "nothing"}</td>
              <td>{row.other || "nothing"}</td>
            </tr>
          ))}
        </Roomy>
      )}
    </Part>
  );
}

function Lists({ title, links, lines }: { title: string; links: string[]; lines: string[] }) {
  if (links.length + lines.length === 0) return null;
  return (
    <Part title={title} level="h3">
      {links.map((link) => (
        <Box key={link} sx={{ fontSize: 12, overflowWrap: "anywhere" }}>
          link to {link}
        </Box>
      ))}
      {lines.map((line, place) => (
        <Apart key={place} mb={0.5}>
          {line}
        </Apart>
      ))}
    </Part>
  );
}
