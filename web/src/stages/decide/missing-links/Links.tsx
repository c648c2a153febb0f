import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { count, moment } from "../../../kit/format";
import { Inline, Filled, Quiet, Scroll, Spacer } from "../../../kit/pieces";
import { Title } from "../../../kit/Title";
import { Toggles } from "../../../kit/Toggles";
import { Topics } from "../../../kit/Topics";
import { Unready } from "../../../kit/Unready";
import { LostHosts } from "./LostHosts";
import { ToOnePage } from "./ToOnePage";
import { useLinks } from "./useLinks";

/** Links that should be, topics, and links out that lead nowhere any more. */
export default function Links() {
  const work = useLinks();
  if (work.found.state !== "ready") return <Unready screen={work.found} />;
  const { made_at: made, proposals, topics, lost } = work.found.data;
  const error = work.look.error ?? work.decide.error;
  const open = proposals.filter((one) => one.state === "open").length;
  return (
    <Filled>
      <Title>Links</Title>
      <Inline gap={1.5} wrap px={2.5} py={1}>
        <Toggles<string>
          choices={[
            { name: "links", label: `Links that should be ${count(open)}` },
            { name: "topics", label: `Topics ${count(topics.length)}` },
            { name: "lost", label: `Lost hosts ${count(lost.length)}` },
          ]}
          value={work.view}
          choose={work.setView}
          choiceSx={{ py: 0.25, px: 1.25 }}
        />
        <Quiet component="span">{made ? `looked for ${moment(made)}` : "nobody has looked yet"}</Quiet>
        <Spacer />
        <Button
          variant={made ? "outlined" : "contained"}
          disabled={work.look.isPending}
          onClick={() => work.look.mutate()}
        >
          {work.look.isPending ? "Looking …" : made ? "Look again" : "Look for links that should be"}
        </Button>
      </Inline>
      <Scroll tabIndex={0} role="region" aria-label="Missing links">
        {error && <Alert severity="error">{error.message}</Alert>}
        {work.view === "links" && (
          <>
            <Quiet>
              Pages that speak of another page and don’t link to it. What you accept becomes a fix with the words that
              carry the link; a page gets three new links at most.
            </Quiet>
            {made && proposals.length === 0 && <Quiet>Every page that speaks of another links to it.</Quiet>}
            {work.targets.map((links) => (
              <ToOnePage key={links[0]?.target} links={links} work={work} />
            ))}
          </>
        )}
        {work.view === "topics" && <Topics topics={topics} />}
        {work.view === "lost" && <LostHosts lost={lost} />}
      </Scroll>
    </Filled>
  );
}
