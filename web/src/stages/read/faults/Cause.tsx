import { Apart, Columns, CutOff, Figure, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { count, counted, ruleSource } from "../../../kit/format";
import { Sign } from "../../../kit/signs/Sign";
import type { FaultSum } from "./types";
import { Places, type Within } from "./Places";
import { Trend } from "./Trend";

type Props = {
  crawl: number;
  rule: FaultSum;
  within: Within;
  heaviest: number;
  open: boolean;
  flip: () => void;
};

const COLUMNS = "20px minmax(240px, 5fr) minmax(0, 4fr) 190px 120px 110px";

/**
 * What stands in the columns of the causes; the crawl before this one is named where there is one that can be compared.
 */
export function Headings({ rules }: { rules: FaultSum[] }) {
  const before = rules[0]?.trend.at(-2)?.crawl;
  const since = before === undefined ? "" : `Since crawl ${before}`;
  return (
    <Box
      aria-hidden
      sx={{
        display: "grid",
        gridTemplateColumns: COLUMNS,
        columnGap: 1.5,
        px: 1,
        pb: 0.25,
        fontSize: 12,
        color: "text.secondary",
      }}
    >
      <span />
      <span>Cause</span>
      <span>Where it gathers</span>
      <Figure component="span">Found on</Figure>
      <Figure component="span">{since}</Figure>
      <Figure component="span">Weight</Figure>
    </Box>
  );
}

/**
 * One rule that found something: how much it weighs and where it gathers; opened, why it matters and where to mend it.
 */
export function Cause({ crawl, rule, within, heaviest, open, flip }: Props) {
  return (
    <Box
      component="li"
      sx={{ borderBottom: 1, borderColor: "divider", bgcolor: open ? "background.paper" : undefined }}
    >
      <ButtonBase
        onClick={flip}
        aria-expanded={open}
        sx={{
          display: "grid",
          gridTemplateColumns: COLUMNS,
          columnGap: 1.5,
          alignItems: "center",
          width: "100%",
          textAlign: "left",
          font: "inherit",
          px: 1,
          minHeight: 34,
        }}
      >
        <Sign state={rule.grade} />
        <Box component="span" sx={{ lineHeight: 1.25, py: 0.25 }}>
          <strong>{rule.title}</strong>{" "}
          <Box component="span" sx={{ fontSize: 12, color: "text.secondary", whiteSpace: "nowrap" }}>
            {rule.code}
          </Box>
        </Box>
        <CutOff component="span" quiet>
          {gathering(rule)}
        </CutOff>
        <Figure component="span">
          {counted(rule.urls, "URL")}
          {rule.wanted > 0 && <Quiet component="span">, {count(rule.wanted)} should be indexed</Quiet>}
        </Figure>
        <Trend trend={rule.trend} />
        <Weight rule={rule} heaviest={heaviest} />
      </ButtonBase>
      {open && (
        <Columns of="230px minmax(0, 1fr)" across={3} px={1} pt={1} pb={2.5}>
          <Reason rule={rule} />
          <Places crawl={crawl} rule={rule} within={within} />
        </Columns>
      )}
    </Box>
  );
}

/** Where it gathers: a template is told before single pages. */
function gathering({ groups, whole_site }: FaultSum) {
  if (whole_site) return "nearly all pages of the site: one cause";
  const templates = groups.filter((group) => group.template);
  if (templates.length > 0)
    return templates
      .map((group) => `the template of ${group.group} (${count(group.urls)} of ${counted(group.pages, "HTML page")})`)
      .join(", ");
  const named = groups.slice(0, 3).map((group) => `${count(group.urls)} in ${group.group}`);
  return [...named, groups.length > 3 && `${counted(groups.length - 3, "other group")}`].filter(Boolean).join(", ");
}

function Weight({ rule, heaviest }: { rule: FaultSum; heaviest: number }) {
  const width = heaviest > 0 ? Math.max((rule.weight / heaviest) * 100, 1) : 0;
  return (
    <Columns
      component="span"
      title={rule.note ? "Worth a note only: it weighs nothing" : "Grade times the importance of all its URLs"}
      of="1fr 40px"
      gap={1}
      align="center"
    >
      <Box component="span" sx={{ height: 6 }} aria-hidden>
        <Box component="span" sx={{ display: "block", height: 6, width: `${width}%`, bgcolor: "iron" }} />
      </Box>
      <Figure component="span">{count(Math.round(rule.weight))}</Figure>
    </Columns>
  );
}

function Reason({ rule }: { rule: FaultSum }) {
  return (
    <Apart pl={4}>
      <Apart mb={1}>{rule.why}</Apart>
      <Box sx={{ fontStyle: "italic", mb: 1 }}>{rule.fix}</Box>
      <Quiet small>{ruleSource(rule.source)}</Quiet>
    </Apart>
  );
}
