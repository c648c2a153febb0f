import Box from "@mui/material/Box";
import { counted } from "./format";
import { OpenUrl } from "./OpenUrl";
import { Columns, Quiet } from "./pieces";
import type { Topic } from "./useMissingLinks";

const SHOWN = 6;

/** What pages speak of together, which page leads each topic, and which of its members don't link to that. */
export function Topics({ topics }: { topics: Topic[] }) {
  if (topics.length === 0) return <Quiet>No three pages speak of the same.</Quiet>;
  return (
    <Columns of="repeat(auto-fill, minmax(340px, 1fr))" gap={2} align="start">
      {topics.map((topic) => (
        <One key={topic.leader.url} topic={topic} />
      ))}
    </Columns>
  );
}

function One({ topic }: { topic: Topic }) {
  const lonely = new Set(topic.unlinked);
  const members = [...topic.members].sort((one, other) => Number(lonely.has(other.url)) - Number(lonely.has(one.url)));
  return (
    <Box
      component="section"
      aria-label={topic.words.join(", ")}
      sx={{ borderTop: 2, borderColor: "iron", pt: 0.75, minWidth: 0 }}
    >
      <strong>{topic.words.join(", ")}</strong>
      <Quiet small>
        {counted(topic.members.length + 1, "page")},{" "}
        {lonely.size === 0
          ? "all link to the one that leads"
          : `${counted(lonely.size, "doesn’t link", "don’t link")} to the one that leads`}
      </Quiet>
      <Box sx={{ mt: 0.5, overflowWrap: "anywhere" }}>
        <OpenUrl id={topic.leader.url_id} url={topic.leader.url} size={12} />
      </Box>
      {members.slice(0, SHOWN).map((member) => (
        <Box
          key={member.url}
          sx={{
            pl: 1.5,
            borderLeft: 2,
            borderColor: lonely.has(member.url) ? "rust" : "moss",
            overflowWrap: "anywhere",
          }}
        >
          <OpenUrl id={member.url_id} url={member.url} size={12} />
          {lonely.has(member.url) && (
            <Quiet component="span" small>
              {" "}
              no link to it
            </Quiet>
          )}
        </Box>
      ))}
      {members.length > SHOWN && <Quiet small>and {members.length - SHOWN} more</Quiet>}
    </Box>
  );
}
