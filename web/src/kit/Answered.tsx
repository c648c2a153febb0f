import Stack from "@mui/material/Stack";
import { Quiet } from "./pieces";
import Box from "@mui/material/Box";
import { type ReactNode, useState } from "react";
import type { Schemas } from "../api/client";
import { MONO } from "../theme";
import { count } from "./format";
import { LinkButton } from "./LinkButton";
import { LINK_PLACES, LINK_TYPES } from "./linkWords";
import { Plain } from "./Plain";
import { SiteUrl } from "./SiteUrl";

type Answer = Schemas["LiveAnswer"];

const MOST = 200;
const LINKS = [{ name: "Leads to" }, { name: "Text" }, { name: "Place", width: 110 }, { name: "Followed", width: 70 }];

/** What a page answered just now: its headers, the lines of its source that decide, and its links, each on demand. */
export function Answered({ answer }: { answer: Answer }) {
  const headers = answer.header_lines ?? [];
  const lines = answer.lines ?? [];
  const links = answer.links ?? [];
  return (
    <Stack spacing={0.5}>
      {headers.length > 0 && (
        <Folded name={`Headers (${count(headers.length)})`}>
          <Code label="Headers of the answer">
            {headers.map((line, at) => (
              <Box key={at} sx={{ fontWeight: answer.header_marks?.[at]?.length ? 700 : 400 }}>
                {line}
              </Box>
            ))}
          </Code>
        </Folded>
      )}
      {lines.length > 0 && (
        <Folded name={`Lines of the source that decide (${count(lines.length)})`} openAtFirst>
          <Code label="Lines that decide">
            {lines.map((line) => (
              <Box key={line.number} title={line.tells.join(", ")}>
                <Quiet component="span">{line.number} </Quiet>
                {line.text}
              </Box>
            ))}
          </Code>
        </Folded>
      )}
      {links.length > 0 && (
        <Folded name={`Links (${count(answer.links_total ?? links.length)})`}>
          <Box role="region" aria-label="Links" tabIndex={0} sx={{ maxHeight: 260, overflow: "auto" }}>
            <Plain label="Links of the answer" columns={LINKS}>
              {links.slice(0, MOST).map((link, at) => (
                <tr key={at}>
                  <td>
                    <SiteUrl url={link.url} size={12} />
                  </td>
                  <td title={link.text ?? undefined}>{link.text}</td>
                  <td>{link.type === "anchor" ? named(LINK_PLACES, link.place) : named(LINK_TYPES, link.type)}</td>
                  <td>{link.followed ? "yes" : "no"}</td>
                </tr>
              ))}
            </Plain>
            {links.length > MOST && `and ${count((answer.links_total ?? links.length) - MOST)} more`}
          </Box>
        </Folded>
      )}
    </Stack>
  );
}

const named = (names: [string, string][], value: string | null) => names.find(([one]) => one === value)?.[1] ?? value;

function Folded({ name, openAtFirst = false, children }: { name: string; openAtFirst?: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <Box>
      <LinkButton act={() => setOpen(!open)}>
        {open ? "▾" : "▸"} {name}
      </LinkButton>
      {open && children}
    </Box>
  );
}

const Code = ({ label, children }: { label: string; children: ReactNode }) => (
  <Box
    role="region"
    aria-label={label}
    tabIndex={0}
    sx={{ fontFamily: MONO, fontSize: 12, overflowWrap: "anywhere", maxHeight: 220, overflow: "auto", pl: 1.5 }}
  >
    {children}
  </Box>
);
