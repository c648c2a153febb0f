import { Mono, Quiet } from "../../../kit/pieces";
import { valueOf } from "../../../kit/decisions";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { narrowed, useAddress } from "../../../kit/address";
import { count, counted, share } from "../../../kit/format";
import { pagesOf } from "../../../kit/groups";
import type { Span } from "../../../kit/spans";
import type { Evidence, Proposal, useIntent, Wish } from "./useIntent";
import { Visited } from "./Visited";

type Props = { groups: Evidence[]; proposals: Proposal[]; span: Span; intent: ReturnType<typeof useIntent> };

const INTENTS = { "": "not decided", index: "index", keep_out: "keep out" };
const COLUMNS: [string, string][] = [
  ["Pages", "Pages and documents of the group that the crawl knows"],
  ["Indexable", "Pages that nothing keeps from being indexed"],
  ["Thin", "Pages with too little text"],
  ["Copies", "Weaker copies of other pages"],
  ["Unique text", "Half of its pages have this share of text that no other page has, or less"],
  ["Links in", "Half of its pages have so many linking pages or more"],
  ["Authority", "Share of the authority of the whole site"],
  ["Listed", "Pages that a sitemap lists"],
  ["In index", "Pages that the index has"],
  ["Impressions", "How often search showed its pages in the chosen window"],
  ["Clicks", "From search in the chosen window, and how many of its pages brought them"],
];
/** Rows with choices cost time to draw, so those of large sites come by portions. */
const FEW = 60;
const MANY = 200;
const TABLE = {
  borderCollapse: "collapse",
  width: "100%",
  "& th, & td": { textAlign: "right", py: 0.4, px: { xs: 0.3, lg: 0.4 }, fontWeight: 400, verticalAlign: "top" },
  "& thead th": {
    fontSize: 12,
    color: "text.secondary",
    borderBottom: "2px solid",
    borderColor: "iron",
    verticalAlign: "bottom",
  },
  // Where there is room for it.
  "& .roomy": { display: { xs: "none", lg: "table-cell" } },
  "& th:first-of-type, & td.left": { textAlign: "left" },
  "& tbody tr": { borderTop: 1, borderColor: "divider" },
} as const;

/** Page groups, the largest first: evidence, then the decision. */
export function GroupTable({ groups, proposals, span, intent }: Props) {
  const [most, setMost] = useState(FEW);
  return (
    <>
      <Box component="table" aria-label="Page groups and whether they should be indexed" sx={TABLE}>
        <thead>
          <tr>
            <th scope="col">Group</th>
            {COLUMNS.map(([name, title]) => (
              <th scope="col" key={name} title={title} className={name === "Impressions" ? "roomy" : undefined}>
                {name}
              </th>
            ))}
            <Box component="th" scope="col" sx={{ "&&": { textAlign: "left" } }}>
              Should be indexed
            </Box>
            <Box component="th" scope="col" sx={{ "&&": { textAlign: "left" } }}>
              Its links
            </Box>
          </tr>
        </thead>
        <tbody>
          {groups.slice(0, most).map((group) => (
            <Row
              key={group.group}
              group={group}
              record={group.record[span]}
              proposal={proposals.find((one) => one.urls === null && one.group === group.group)}
              singles={proposals.filter((one) => one.urls !== null && one.group === group.group)}
              intent={intent}
            />
          ))}
        </tbody>
      </Box>
      {groups.length > most && (
        <Button sx={{ mt: 1 }} onClick={() => setMost(most + MANY)}>
          Show {count(Math.min(MANY, groups.length - most))} of {count(groups.length - most)} smaller groups
        </Button>
      )}
    </>
  );
}

type RowProps = {
  group: Evidence;
  record: Evidence["record"][string] | undefined;
  proposal: Proposal | undefined;
  singles: Proposal[];
  intent: ReturnType<typeof useIntent>;
};

function Row({ group, record, proposal, singles, intent }: RowProps) {
  const { to } = useAddress();
  const decided = valueOf(group.decision, "group");
  const drafted = group.group in intent.drafts.group;
  const wish = drafted ? (intent.drafts.group[group.group] ?? null) : decided;
  const set = (changes: Partial<Wish>) => {
    const next: Wish = { intent: "undecided", ...wish, ...changes };
    intent.draft("group", group.group, next);
  };
  return (
    <>
      <Box component="tr" sx={{ bgcolor: drafted ? "background.paper" : undefined }}>
        <Box component="th" scope="row" title={group.group} sx={NAME}>
          <Link to={to("read/ledger", narrowed(...pagesOf(group.group)))}>
            <Mono component="span" size={12.5}>
              {group.group}
            </Mono>
          </Link>
          {group.exceptions > 0 && <Quiet small>{counted(group.exceptions, "exception")}</Quiet>}
        </Box>
        <td>{count(group.pages)}</td>
        <td>{count(group.indexable)}</td>
        <td>{group.thin > 0 ? count(group.thin) : "–"}</td>
        <td>{group.copies > 0 ? count(group.copies) : "–"}</td>
        <td>{group.unique_share === null ? "–" : share(group.unique_share)}</td>
        <td>{count(group.links_in)}</td>
        <td>{share(group.authority)}</td>
        <td>{group.listed > 0 ? count(group.listed) : "–"}</td>
        <td>{group.in_index > 0 ? count(group.in_index) : "–"}</td>
        <td className="roomy">{record?.impressions == null ? "–" : count(record.impressions)}</td>
        <td>
          {record?.clicks == null ? "–" : count(record.clicks)}
          {record && record.visited > 0 && (
            <Quiet small>{counted(record.visited, "page").replace(" ", "\u00a0")}</Quiet>
          )}
        </td>
        <td className="left">
          <Choice
            label={`Whether ${group.group} should be indexed`}
            value={wish?.intent === "undecided" ? "" : (wish?.intent ?? "")}
            choices={INTENTS}
            changed={drafted}
            set={(value) =>
              value === "index" || value === "keep_out"
                ? set({ intent: value })
                : intent.draft("group", group.group, null)
            }
          />
        </td>
        <td className="left">
          <Choice
            label={`Whether links of ${group.group} are followed`}
            value={wish?.follow === false ? "no" : ""}
            choices={{ "": "as they are", no: "not followed" }}
            changed={drafted}
            set={(value) => set({ follow: value === "no" ? false : undefined })}
          />
        </td>
      </Box>
      {drafted && wish?.intent === "keep_out" && group.visited > 0 && (
        <Visited group={group.group} visited={group.visited} intent={intent} />
      )}
      {[proposal, ...singles].map(
        (one) =>
          one &&
          !(one.urls === null && drafted) && (
            <tr key={`${one.group} ${one.urls?.[0] ?? ""}`} style={{ border: 0 }}>
              <Box component="td" className="left" colSpan={14} sx={{ "&&": { pt: 0 }, color: "text.secondary" }}>
                {one.urls === null ? "Proposed: " : `Proposed for ${counted(one.urls.length, "page")} of it: `}
                <strong>{one.intent === "index" ? "index" : "keep out"}</strong>
                {one.except.length > 0 && <Except urls={one.except} />}. {one.reasons.join(" ")}{" "}
                {!one.sure && "Look at them before you take it. "}
                <Button size="low" onClick={() => intent.accept([one])}>
                  Take it
                </Button>
              </Box>
            </tr>
          ),
      )}
    </>
  );
}

/** Pages of a group that a proposal leaves as they are. */
function Except({ urls }: { urls: string[] }) {
  return (
    <span title={urls.join("\n")}>
      {", but for "}
      {urls.length <= NAMED ? urls.map(pathOf).join(", ") : counted(urls.length, "page")}
    </span>
  );
}

const NAMED = 3;
const pathOf = (url: string) => url.replace(/^https?:\/\/[^/]+/, "");

const NAME = {
  width: { xs: "13%", lg: "17%" },
  maxWidth: { xs: 110, lg: 170 },
  overflow: "hidden",
  textOverflow: "ellipsis",
  whiteSpace: "nowrap",
} as const;

type ChoiceProps = {
  label: string;
  value: string;
  choices: Record<string, string>;
  changed: boolean;
  set: (value: string) => void;
};

function Choice({ label, value, choices, changed, set }: ChoiceProps) {
  return (
    <TextField
      select
      variant="standard"
      value={value}
      onChange={(event) => set(event.target.value)}
      sx={{
        minWidth: { xs: 76, lg: 92 },
        "& .MuiSelect-select": { py: 0, fontSize: { xs: 12.5, lg: 13.5 }, fontWeight: changed ? 700 : 400 },
      }}
      slotProps={{ select: { displayEmpty: true }, htmlInput: { "aria-label": label } }}
    >
      {Object.entries(choices).map(([name, text]) => (
        <MenuItem key={name} value={name}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}
