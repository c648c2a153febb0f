import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { count, moment } from "../../../kit/format";
import { Inline, Quiet, Scroll, Spacer, Wrong } from "../../../kit/pieces";
import { Roomy } from "../../../kit/Roomy";
import { Title } from "../../../kit/Title";
import { Unready } from "../../../kit/Unready";
import { Receivers } from "./Receivers";
import { type Alerts as Told, useAlerts } from "./useAlerts";

/** What somebody has to hear of: what, since when, which pages. */
export default function Alerts() {
  const { alerts, see, keep, to } = useAlerts();
  if (alerts.state !== "ready") return <Unready screen={alerts} />;
  const told = alerts.data;
  const open = told.alerts.filter((one) => !one.seen).map((one) => one.id);
  return (
    <Box sx={{ height: "100%", display: "grid", gridTemplateColumns: "minmax(0, 1fr) 320px" }}>
      <Title>Alerts</Title>
      <Scroll tabIndex={0} role="region" aria-label="Alerts">
        <Inline gap={0} py={1}>
          <Quiet component="span">
            {told.alerts.length === 0
              ? "Nothing has happened that somebody has to hear of."
              : `${told.unseen} not seen yet`}
          </Quiet>
          <Spacer />
          <Button disabled={open.length === 0 || see.isPending} onClick={() => see.mutate(open)}>
            All are seen
          </Button>
        </Inline>
        {told.alerts.length > 0 && (
          <Roomy label="Alerts" columns={["Since", "What", "Pages", ""]}>
            {told.alerts.map((one) => (
              <OneAlert key={one.id} one={one} kind={told.kinds[one.kind] ?? one.kind} to={to} see={see.mutate} />
            ))}
          </Roomy>
        )}
      </Scroll>
      <Receivers key={JSON.stringify(told.settings)} told={told} keep={keep} />
    </Box>
  );
}

type OneProps = {
  one: Told["alerts"][number];
  kind: string;
  to: (screen: string) => string;
  see: (ids: number[]) => void;
};

function OneAlert({ one, kind, to, see }: OneProps) {
  const [screen = "", query] = one.screen.split("?");
  const [first] = one.urls;
  const where = first && screen === "read/ledger" ? `where=${encodeURIComponent(condition(one.urls))}` : query;
  return (
    <tr>
      <td style={{ whiteSpace: "nowrap" }}>{moment(one.made_at)}</td>
      <td>
        <Box sx={{ fontWeight: one.seen ? 400 : 600 }}>{kind}</Box>
        <Box sx={{ overflowWrap: "anywhere" }}>{one.what}</Box>
        {one.failed.map((text) => (
          <Wrong key={text} small>
            Not sent to {text}
          </Wrong>
        ))}
      </td>
      <td>{one.count > 0 && count(one.count)}</td>
      <td style={{ whiteSpace: "nowrap" }}>
        <Link to={`${to(screen)}${where ? `?${where}` : ""}`} onClick={() => see([one.id])}>
          Show
        </Link>
      </td>
    </tr>
  );
}

const condition = (urls: string[]) => JSON.stringify({ any: urls.map((value) => ({ field: "url", op: "is", value })) });
