import { Inline, Narrow, Spacer } from "../../../kit/pieces";
import InputBase from "@mui/material/InputBase";
import { useState } from "react";
import { Link } from "react-router";
import { narrowed, useAddress } from "../../../kit/address";
import { ExportMenu } from "../../../kit/ExportMenu";
import { counted } from "../../../kit/format";
import { LinkButton } from "../../../kit/LinkButton";
import { Toggles } from "../../../kit/Toggles";
import { useLater } from "../../../kit/useLater";
import { columnsOfFault } from "./columnsOfFault";
import type { FaultSum } from "./types";
import { GatheredPlaces } from "./GatheredPlaces";
import { Occurrences } from "./Occurrences";

/** To which URLs the faults are narrowed. */
export type Within = { group: string | undefined; host: string | undefined };

type Props = { crawl: number; rule: FaultSum; within: Within };

/** Where one fault is: each occurrence with what it tells, or gathered by what is the same on many pages. */
export function Places({ crawl, rule, within }: Props) {
  const { search, change, to } = useAddress();
  const [typed, setTyped] = useState("");
  const text = useLater(typed, 300) || undefined;
  const same = search.get("same") ?? undefined;
  const gathered = rule.same !== null && same === undefined && search.get("as") === "gathered";
  const query = { ...within, same, text };
  return (
    <Narrow>
      <Inline gap={1.5} wrap mb={0.5}>
        {rule.same !== null && same === undefined && (
          <Toggles
            choices={[
              { name: "each" as const, label: "Each one" },
              { name: "gathered" as const, label: "What is the same" },
            ]}
            value={gathered ? "gathered" : "each"}
            choose={(name) => change({ as: name === "gathered" ? name : undefined }, true)}
            choiceSx={{ py: 0, px: 1 }}
          />
        )}
        {same !== undefined && (
          <span>
            Only <strong>{same.length > 80 ? `${same.slice(0, 80)}…` : same}</strong>{" "}
            <LinkButton act={() => change({ same: undefined }, true)}>show all</LinkButton>
          </span>
        )}
        <InputBase
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder="Find in these"
          inputProps={{ "aria-label": `Find in ${rule.title}` }}
          sx={{ bgcolor: "background.default", border: 1, borderColor: "divider", borderRadius: 1, px: 1, width: 170 }}
        />
        <Spacer />
        <Link
          to={to("read/ledger", {
            ...narrowed(
              { field: "faults", op: "has", value: rule.code },
              ...(within.group ? [{ field: "group", op: "is", value: within.group }] : []),
            ),
            cols: columnsOfFault(rule.code)?.join(","),
            sort: "-importance",
          })}
        >
          {counted(rule.urls, "URL")} in the ledger
        </Link>
        <ExportMenu path={`crawls/${crawl}/faults/${rule.code}/places`} query={query} />
      </Inline>
      {gathered ? (
        <GatheredPlaces crawl={crawl} rule={rule} query={query} />
      ) : (
        <Occurrences crawl={crawl} rule={rule} query={query} />
      )}
    </Narrow>
  );
}
