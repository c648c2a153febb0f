import { Inline, Columns, Narrow, PlainList, Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import { counted } from "../../../kit/format";
import { WITH_ASIDE } from "../../../kit/layout";
import { Part } from "../../../kit/parts";
import { UrlText } from "../../../kit/UrlText";
import { valueOf } from "../../../kit/decisions";
import { useDecide } from "../../../kit/useDecide";
import { MONO } from "../../../theme";
import { BringSets } from "./BringSets";
import type { LanguagesData } from "./types";
import { WhyNot } from "../../../kit/WhyNot";

type Proposal = LanguagesData["proposals"][number];

const keyOf = (one: Proposal) => Object.values(one.pages).sort()[0] ?? "";

/** Pages that seem to be versions of one page, to be confirmed by hand; or sets from a file. */
export function Unpaired({ site, languages }: { site: number; languages: LanguagesData }) {
  const [ticked, setTicked] = useState<Record<string, boolean>>({});
  const decide = useDecide(site);
  const taken = new Set(languages.decided.flatMap((one) => Object.values(valueOf(one, "languages")?.pages ?? {})));
  const open = languages.proposals.filter((one) => !Object.values(one.pages).some((url) => taken.has(url)));
  const chosen = open.filter((one) => ticked[keyOf(one)]);
  return (
    <Box sx={WITH_ASIDE}>
      <Narrow>
        <Inline mb={1}>
          <Quiet role="status">
            {open.length === 0
              ? "No further pages seem to belong together."
              : `${counted(open.length, "set of pages seems", "sets of pages seem")} to belong together ` +
                "and don't all name each other."}
          </Quiet>
          <WhyNot error={decide.error} />
          <Button
            sx={{ ml: "auto" }}
            disabled={open.length === 0}
            onClick={() => setTicked(Object.fromEntries(open.map((one) => [keyOf(one), chosen.length < open.length])))}
          >
            Tick all
          </Button>
          <Button
            variant="contained"
            disabled={chosen.length === 0 || decide.isPending}
            onClick={() =>
              decide.mutate(
                {
                  kind: "languages",
                  wishes: Object.fromEntries(chosen.map((one) => [keyOf(one), { pages: one.pages }])),
                },
                { onSuccess: () => setTicked({}) },
              )
            }
          >
            Confirm {counted(chosen.length, "set")}
          </Button>
        </Inline>
        <PlainList aria-label="Pages that seem to belong together">
          {open.map((one) => (
            <Columns component="li" key={keyOf(one)} of="28px minmax(0, 1fr) 240px" across={1} ruled py={0.75}>
              <Checkbox
                size="small"
                sx={{ p: 0, alignSelf: "start" }}
                checked={ticked[keyOf(one)] ?? false}
                onChange={(_, checked) => setTicked({ ...ticked, [keyOf(one)]: checked })}
                slotProps={{ input: { "aria-label": `Tick the set of ${keyOf(one)}` } }}
              />
              <Narrow>
                {Object.entries(one.pages).map(([code, url]) => (
                  <Box key={code} sx={{ display: "flex", gap: 1.5, minWidth: 0 }}>
                    <Box component="span" sx={{ fontFamily: MONO, fontSize: 12, width: 28 }}>
                      {code}
                    </Box>
                    <UrlText url={url} size={12} withHost />
                    {one.untranslated[code] && (
                      <Box component="span" sx={{ fontSize: 12, color: "brass", whiteSpace: "nowrap" }}>
                        address left untranslated
                      </Box>
                    )}
                  </Box>
                ))}
              </Narrow>
              <Quiet small>{one.reasons.join("; ")}</Quiet>
            </Columns>
          ))}
        </PlainList>
      </Narrow>
      <Part level="h2" title="Sets from a file">
        <BringSets site={site} />
      </Part>
    </Box>
  );
}
