import { Inline, Clipped, Columns, Figure, PlainList, Quiet, Scroll } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type Crawl, type Schemas } from "../../../api/client";
import { count, counted } from "../../../kit/format";
import { FaultTitles } from "../../../kit/FaultTitles";
import { UrlLink } from "../../../kit/parts";
import { Toggles } from "../../../kit/Toggles";
import { UrlText } from "../../../kit/UrlText";
import { WhyNot } from "../../../kit/WhyNot";
import { TakesOver } from "./TakesOver";
import { useObserved, KINDS } from "./useObserved";

type Row = Schemas["Redirects"]["rows"][number];
type Kind = (typeof KINDS)[number]["name"];

/** Redirects that the crawl has met, with each hop; chains, and temporary ones that last, can be shortened. */
export function Observed({ site, crawl }: { site: number; crawl: Crawl }) {
  const { change, kind, redirects, decide } = useObserved({ site, crawl });
  if (redirects.state !== "ready") return <Unready screen={redirects} />;
  const { rows, counts } = redirects.data;
  const detours = rows.filter(straight);
  const lead = (some: Row[]) =>
    decide.mutate({
      kind: "route",
      wishes: Object.fromEntries(
        some.map((row) => [row.url, { to: row.final_url, status: 301, why: "straight to where it ended" }]),
      ),
    });
  return (
    <Scroll>
      <Inline gap={0} mb={1}>
        <Toggles<Kind>
          choices={KINDS.map((one) => ({ name: one.name, label: `${one.label} ${count(counts[one.name])}` }))}
          value={kind}
          choose={(name) => change({ kind: name === "all" ? undefined : name }, true)}
          choiceSx={{ py: 0.25, px: 1.25 }}
        />
        <Button
          sx={{ ml: "auto" }}
          variant="outlined"
          disabled={detours.length === 0 || decide.isPending}
          onClick={() => lead(detours)}
        >
          Shorten {counted(detours.length, "chain")}
        </Button>
      </Inline>
      <WhyNot error={decide.error} />
      {decide.isSuccess && <Box role="status">It is in the map now.</Box>}
      {rows.length === 0 && <Quiet>The crawl met none.</Quiet>}
      <PlainList aria-label="Redirects">
        {rows.map((row) => (
          <Columns component="li" key={row.url_id} of="minmax(0, 1fr) 110px 150px" across={2} ruled py={0.75}>
            <div>
              <Hops row={row} />
              <TakesOver heir={row.heir} />
            </div>
            <Figure>{counted(row.links_in, "page links", "pages link")}</Figure>
            <Figure>
              {straight(row) ? (
                <Button size="low" disabled={decide.isPending} onClick={() => lead([row])}>
                  Shorten it
                </Button>
              ) : (
                <Quiet component="span" small>
                  <FaultTitles codes={row.faults.filter((code) => code.startsWith("redirect-"))} />
                </Quiet>
              )}
            </Figure>
          </Columns>
        ))}
      </PlainList>
    </Scroll>
  );
}

/** A chain, or a move sent as temporary, that ends at a page. */
const straight = (row: Row) =>
  row.final_status === 200 && (row.redirect_chain.length > 1 || row.faults.includes("redirect-temporary"));

function Hops({ row }: { row: Row }) {
  return (
    <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, minWidth: 0 }}>
      <Clipped component="li">
        <UrlLink id={row.url_id} url={row.url} withHost />
      </Clipped>
      {row.redirect_chain.map((hop, place) => (
        <Box
          component="li"
          key={`${place} ${hop}`}
          sx={{ display: "flex", gap: 1, pl: 1.5 * (place + 1), minWidth: 0 }}
        >
          <span aria-hidden>↳</span>
          <Box component="span" sx={{ color: "text.secondary", minWidth: 26 }}>
            {place === 0 ? row.status : ""}
          </Box>
          <UrlText url={hop} size={12} withHost />
          {place === row.redirect_chain.length - 1 && (
            <Box
              component="span"
              sx={{ color: row.final_status === 200 ? "text.secondary" : "rust", whiteSpace: "nowrap" }}
            >
              {row.final_status === null
                ? row.final_url === null
                  ? "and round again"
                  : "not fetched"
                : row.final_status}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
