import { Narrow, Quiet } from "../../../kit/pieces";
import { Unready } from "../../../kit/Unready";
import { type Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { count } from "../../../kit/format";
import { Plain } from "../../../kit/Plain";
import { causeOf } from "../../../kit/rungs";
import { Stop } from "../../../kit/Stop";
import { Toggles } from "../../../kit/Toggles";
import { UrlLink } from "../../../kit/parts";
import { useMoves, Move } from "./useMoves";

type Comparison = Schemas["Comparison"];

const MOVES: { name: Move; label: string; means: string }[] = [
  { name: "fell", label: "fell", means: "URLs that should be indexed and are stopped earlier than they were" },
  { name: "rose", label: "rose", means: "URLs that should be indexed and get further than they did" },
  { name: "as_decided", label: "as decided", means: "URLs at which what was decided is done now" },
  { name: "came", label: "new", means: "URLs that weren’t known before" },
  { name: "went", label: "gone", means: "URLs that aren’t known any more" },
  { name: "others", label: "others", means: "URLs that moved and needn’t be indexed" },
];

/** URLs by how they moved on the ladder, those that matter most first. */
export function Moves({ newer, earlier, compared }: { newer: number; earlier: number; compared: Comparison }) {
  const { search, change } = useAddress();
  const asked = MOVES.find((one) => one.name === search.get("move"))?.name;
  const move = asked ?? MOVES.find((one) => compared.moves[one.name] > 0)?.name ?? "fell";
  return (
    <Narrow component="section" aria-label="URLs that moved">
      <Toggles
        choices={MOVES.map(({ name, label, means }) => ({
          name,
          label: `${count(compared.moves[name])} ${label}`,
          title: means,
        }))}
        value={move}
        choose={(value) => change({ move: value }, true)}
        sx={{ mb: 1 }}
        choiceSx={{ px: 1.5 }}
      />
      <Quiet mb={0.5}>
        {MOVES.find((one) => one.name === move)?.means}: {steps(compared, move)}
      </Quiet>
      <Rows newer={newer} earlier={earlier} move={move} />
    </Narrow>
  );
}

/** From where to where most of them moved. */
function steps(compared: Comparison, move: Move) {
  const told = compared.steps.filter((one) => one.move === move).slice(0, 4);
  if (told.length === 0) return "none.";
  const step = (one: Comparison["steps"][number]) =>
    move === "came"
      ? `${count(one.urls)} ${at(one.stop_after)}`
      : move === "went"
        ? `${count(one.urls)} ${at(one.stop_before)}`
        : `${count(one.urls)} ${place(one.stop_before)} → ${place(one.stop_after)}`;
  return told.map(step).join(", ");
}

const place = (stop: string | null) => (stop === null ? "nothing" : causeOf(stop));
const at = (stop: string | null) => (stop === null ? "that nothing stops" : `stopped: ${causeOf(stop)}`);

function Rows({ newer, earlier, move }: { newer: number; earlier: number; move: Move }) {
  const { rows } = useMoves({ newer, earlier, move });
  if (rows.state !== "ready") return <Unready screen={rows} />;
  const columns = [
    { name: "URL" },
    { name: "Stopped by, before", width: 146 },
    { name: "Now", width: 146 },
    { name: "Importance", width: 84, right: true },
  ];
  return (
    <>
      <Plain label={`URLs that ${move}`} columns={columns}>
        {rows.data.rows.map((row) => (
          <tr key={row.url_id}>
            <td>{move === "went" ? row.url : <UrlLink id={row.url_id} url={row.url} />}</td>
            <td>{move === "came" ? "" : <Stop stop={row.stop_before} passes="nothing" />}</td>
            <td title={row.stop_reason ?? undefined}>
              {move === "went" ? "" : <Stop stop={row.stop_after} passes="nothing" />}
            </td>
            <td className="number">{row.importance?.toFixed(1) ?? ""}</td>
          </tr>
        ))}
      </Plain>
      {rows.data.total > rows.data.rows.length && <>The first {rows.data.rows.length} are shown.</>}
    </>
  );
}
