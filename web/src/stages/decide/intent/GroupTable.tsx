import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { narrowed, useAddress } from "../../../kit/address";
import { count, counted, share } from "../../../kit/format";
import { Sign } from "../../../kit/signs/Sign";
import { MONO } from "../../../theme";
import type { Evidence, Proposal, useIntent, Wish } from "./useIntent";

type Props = { groups: Evidence[]; proposals: Proposal[]; intent: ReturnType<typeof useIntent> };

const INTENTS = { "": "undecided", index: "index", keep_out: "keep out" };
const COLUMNS: [string, string][] = [
  ["Pages", "Pages and documents that answer, or couldn't be asked"],
  ["Index­able", "Pages that nothing keeps from being indexed"],
  ["Thin", "Pages that the rule thin speaks of"],
  ["Copies", "Weaker copies of other pages"],
  ["Own words", "Half of its pages have this share of their words for themselves or less"],
  ["Links in", "Half of its pages have so many linking pages or more"],
  ["Authority", "Share of the authority of the whole site"],
  ["Listed", "Pages that a sitemap lists"],
];
/** Rows with choices cost time to draw, so those of large sites come by portions. */
const FEW = 60;
const MANY = 200;
/** What the index will say, once there is evidence of it. */
const TO_COME = ["Clicks", "Views", "Indexed"];
const TABLE = {
  borderCollapse: "collapse",
  width: "100%",
  "& th, & td": { textAlign: "right", py: 0.4, px: 0.75, fontWeight: 400, verticalAlign: "top" },
  "& thead th": {
    fontSize: 12,
    color: "text.secondary",
    borderBottom: "2px solid",
    borderColor: "iron",
    verticalAlign: "bottom",
  },
  "& th:first-of-type, & td.left": { textAlign: "left" },
  "& tbody tr": { borderTop: 1, borderColor: "divider" },
} as const;

/** Page groups, the largest first: evidence, then the decision. */
export function GroupTable({ groups, proposals, intent }: Props) {
  const [most, setMost] = useState(FEW);
  return (
    <>
      <Box component="table" aria-label="Page groups and what is wanted of them" sx={TABLE}>
        <thead>
          <tr>
            <th scope="col">Group</th>
            {COLUMNS.map(([name, title]) => (
              <th scope="col" key={name} title={title}>
                {name}
              </th>
            ))}
            {TO_COME.map((name) => (
              <th scope="col" key={name} title={`${name}: no evidence yet`}>
                {name}
              </th>
            ))}
            <Box component="th" scope="col" sx={{ "&&": { textAlign: "left" } }}>
              Wanted
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
  proposal: Proposal | undefined;
  singles: Proposal[];
  intent: ReturnType<typeof useIntent>;
};

function Row({ group, proposal, singles, intent }: RowProps) {
  const { to } = useAddress();
  const decided = (group.decision?.value ?? null) as Wish | null;
  const drafted = group.group in intent.drafts.group;
  const wish = drafted ? (intent.drafts.group[group.group] ?? null) : decided;
  const set = (changes: Partial<Wish>) => {
    const next: Wish = { intent: "undecided", ...wish, ...changes };
    intent.draft("group", group.group, next.intent === "" ? null : next);
  };
  return (
    <>
      <Box component="tr" sx={{ bgcolor: drafted ? "background.paper" : undefined }}>
        <Box component="th" scope="row" sx={{ maxWidth: 210, overflow: "hidden", textOverflow: "ellipsis" }}>
          <Link to={to("read/ledger", narrowed({ field: "group", op: "is", value: group.group }))}>
            <Box component="span" sx={{ fontFamily: MONO, fontSize: 12.5, overflowWrap: "anywhere" }}>
              {group.group}
            </Box>
          </Link>
          {group.exceptions > 0 && (
            <Box sx={{ fontSize: 12, color: "text.secondary" }}>{counted(group.exceptions, "exception")}</Box>
          )}
        </Box>
        <td>{count(group.pages)}</td>
        <td>{count(group.indexable)}</td>
        <td>{group.thin > 0 ? count(group.thin) : "–"}</td>
        <td>{group.copies > 0 ? count(group.copies) : "–"}</td>
        <td>{group.own_share === null ? "–" : share(group.own_share)}</td>
        <td>{count(group.links_in)}</td>
        <td>{share(group.authority)}</td>
        <td>{group.listed > 0 ? count(group.listed) : "–"}</td>
        {TO_COME.map((name) => (
          <td key={name} title={`${name}: no evidence yet`} aria-label="no evidence yet">
            <Sign state="unknown" />
          </td>
        ))}
        <td className="left">
          <Choice
            label={`What is wanted of ${group.group}`}
            value={wish?.intent === "undecided" ? "" : (wish?.intent ?? "")}
            choices={INTENTS}
            changed={drafted}
            set={(value) => set({ intent: value })}
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
      {[proposal, ...singles].map(
        (one) =>
          one &&
          !(one.urls === null && drafted) && (
            <tr key={`${one.group} ${one.urls?.[0] ?? ""}`} style={{ border: 0 }}>
              <Box component="td" className="left" colSpan={14} sx={{ "&&": { pt: 0 }, color: "text.secondary" }}>
                {one.urls === null ? "Proposed: " : `Proposed for ${counted(one.urls.length, "page")} of it: `}
                <strong>{one.intent === "index" ? "index" : "keep out"}</strong>. {one.reasons.join(" ")}{" "}
                <Button sx={{ py: 0 }} onClick={() => intent.accept([one])}>
                  Take it
                </Button>
              </Box>
            </tr>
          ),
      )}
    </>
  );
}

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
      sx={{ minWidth: 92, "& .MuiSelect-select": { py: 0, fontWeight: changed ? 700 : 400 } }}
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
