import { Apart, Inline, Clipped, Quiet } from "./pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Popover from "@mui/material/Popover";
import { useState } from "react";
import { type Schemas } from "../api/client";
import { Answered } from "./Answered";
import { count, counted } from "./format";
import { LinkButton } from "./LinkButton";
import { Loading } from "./Notice";
import { Sign } from "./signs/Sign";
import { WhyNot } from "./WhyNot";
import { useCheckNow } from "./useCheckNow";
import { SiteUrl } from "./SiteUrl";

type Check = Schemas["Check"];
type Page = Check["pages"][number];

/** Asks the pages that a decision is about, now, whether what was decided is there. */
export function CheckNow({ crawl, decision }: { crawl: number; decision: number }) {
  const { button, open, setOpen, check } = useCheckNow({ crawl, decision });
  return (
    <>
      <Button
        ref={button}
        aria-haspopup="dialog"
        onClick={() => {
          setOpen(true);
          check.mutate();
        }}
        sx={{ py: 0, px: 0.5, minWidth: 0 }}
      >
        Check now
      </Button>
      <Popover
        open={open}
        anchorEl={() => button.current}
        onClose={() => setOpen(false)}
        anchorOrigin={{ vertical: "bottom", horizontal: "right" }}
        transformOrigin={{ vertical: "top", horizontal: "right" }}
      >
        <Box role="status" aria-label="What was found now" sx={{ width: 560, maxWidth: "80vw", p: 2 }}>
          {check.isPending && <Loading what="the pages" />}
          <WhyNot error={check.error} />
          {check.data && !check.isPending && <Found check={check.data} again={() => check.mutate()} />}
        </Box>
      </Popover>
    </>
  );
}

function Found({ check, again }: { check: Check; again: () => void }) {
  return (
    <>
      <Inline align="baseline">
        <strong>{headline(check)}</strong>
        <Button onClick={again} sx={{ ml: "auto", py: 0 }}>
          Check again
        </Button>
      </Inline>
      {check.total > check.pages.length && (
        <Quiet small>
          Of {counted(check.total, "page")} the {count(check.pages.length)} that matter most were asked.
        </Quiet>
      )}
      {check.pages.map((page) => (
        <Checked key={page.url} page={page} alone={check.pages.length === 1} />
      ))}
    </>
  );
}

function headline({ pages }: Check) {
  const there = pages.filter((page) => page.holds).length;
  if (there === pages.length) return pages.length === 1 ? "It is as decided." : "All are as decided.";
  return there === 0 ? "It isn’t as decided yet." : `${count(there)} of ${count(pages.length)} are as decided.`;
}

function Checked({ page, alone }: { page: Page; alone: boolean }) {
  const [open, setOpen] = useState(alone);
  return (
    <Box sx={{ py: 0.75, borderTop: 1, borderColor: "divider", mt: 0.5 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", minWidth: 0 }}>
        <Sign state={page.holds ? "passes" : "stops"} label={page.holds ? "as decided" : "not as decided"} />
        <Clipped>
          <SiteUrl url={page.url} size={12} />
        </Clipped>
        {!alone && <LinkButton act={() => setOpen(!open)}>{open ? "less" : "what it answered"}</LinkButton>}
      </Box>
      <Box component="ul" sx={{ m: 0, pl: 3, listStyle: "none", overflowWrap: "anywhere" }}>
        {page.conditions.map((one) => (
          <li key={one.name}>
            {one.name}: <strong>{one.found}</strong>
            {!one.holds && `, should be ${one.wanted}`}
          </li>
        ))}
      </Box>
      {open && (
        <Apart pl={3} pt={0.5}>
          <Answered answer={page.live} />
        </Apart>
      )}
    </Box>
  );
}
