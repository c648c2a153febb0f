import { Quiet } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { narrowed, useAddress } from "../../../kit/address";
import { count, share } from "../../../kit/format";
import { hostAndFolder } from "../../../kit/groups";
import { Plain } from "../../../kit/Plain";
import { type Bank, banks, gathered, HEIGHT, REST, type Ribbon, ribbons, type Stream } from "./flowing";

const WIDTH = 720;
const NAMES = 150;
const BANK = 6;
const MOST_GROUPS = 9;

/** What each page group passes on to which, by the links of its pages: as ribbons, or as a table. */
export function Flow({ flow }: { flow: Stream[] }) {
  const [table, setTable] = useState(false);
  if (flow.length === 0) return <>No links lead from page to page.</>;
  const streams = gathered(flow, MOST_GROUPS);
  return (
    <>
      <Box sx={{ display: "flex", justifyContent: "space-between", color: "text.secondary", fontSize: 12, mb: 0.5 }}>
        <span>{table ? "" : "gives"}</span>
        <Button size="small" onClick={() => setTable(!table)} sx={{ py: 0 }}>
          {table ? "As a drawing" : "As a table"}
        </Button>
        <span>{table ? "" : "gets"}</span>
      </Box>
      {table ? <FlowTable streams={streams} /> : <FlowDrawing streams={streams} />}
    </>
  );
}

function FlowDrawing({ streams }: { streams: Stream[] }) {
  const [over, setOver] = useState<string | null>(null);
  const left = banks(streams, "from");
  const right = banks(streams, "to");
  return (
    <Box sx={{ position: "relative" }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label="Streams of authority between page groups"
      >
        {ribbons(streams, left, right).map((ribbon) => (
          <path
            key={`${ribbon.stream.from} ${ribbon.stream.to}`}
            d={outline(ribbon)}
            fill="var(--mui-palette-moss)"
            opacity={over === null ? 0.45 : isOf(ribbon, over) ? 0.8 : 0.1}
          >
            <title>{told(ribbon.stream)}</title>
          </path>
        ))}
        {[left, right].map((side, at) =>
          side.map((bank) => (
            <rect
              key={`${at} ${bank.name}`}
              x={at === 0 ? NAMES : WIDTH - NAMES - BANK}
              y={bank.top}
              width={BANK}
              height={bank.height}
              fill="var(--mui-palette-iron)"
            />
          )),
        )}
      </svg>
      <Names side={left} at="left" hover={setOver} />
      <Names side={right} at="right" hover={setOver} />
    </Box>
  );
}

function Names({ side, at, hover }: { side: Bank[]; at: "left" | "right"; hover: (name: string | null) => void }) {
  const { to } = useAddress();
  return side.map((bank) => (
    <Box
      key={bank.name}
      onMouseEnter={() => hover(bank.name)}
      onMouseLeave={() => hover(null)}
      onFocus={() => hover(bank.name)}
      onBlur={() => hover(null)}
      sx={{
        position: "absolute",
        [at]: 0,
        top: `${((bank.top + bank.height / 2) / HEIGHT) * 100}%`,
        transform: "translateY(-50%)",
        width: `${((NAMES - 8) / WIDTH) * 100}%`,
        textAlign: at === "left" ? "right" : "left",
        fontSize: 12,
        lineHeight: 1.1,
        overflow: "hidden",
        textOverflow: "ellipsis",
        whiteSpace: "nowrap",
      }}
      title={`${bank.name}: ${share(bank.share)}`}
    >
      {bank.name === REST ? (
        REST
      ) : (
        <Link to={to("read/ledger", narrowed({ field: "group", op: "is", value: bank.name }))}>
          {hostAndFolder(bank.name)[1]}
        </Link>
      )}{" "}
      <Quiet component="span">
        {share(bank.share)} {hostAndFolder(bank.name)[0]}
      </Quiet>
    </Box>
  ));
}

function FlowTable({ streams }: { streams: Stream[] }) {
  const columns = [
    { name: "From" },
    { name: "To" },
    { name: "Links", width: 90, right: true },
    { name: "Share of all authority", width: 150, right: true },
  ];
  return (
    <Box sx={{ maxHeight: 320, overflow: "auto" }}>
      <Plain label="Streams of authority between page groups" columns={columns}>
        {streams.map((stream) => (
          <tr key={`${stream.from} ${stream.to}`}>
            <td>{stream.from}</td>
            <td>{stream.to}</td>
            <td className="number">{count(stream.links)}</td>
            <td className="number">{share(stream.share)}</td>
          </tr>
        ))}
      </Plain>
    </Box>
  );
}

const isOf = ({ stream }: Ribbon, name: string) => stream.from === name || stream.to === name;

const told = ({ from, to, links, share: part }: Stream) =>
  `${from} to ${to}: ${share(part)} of all authority over ${count(links)} links`;

function outline({ fromTop, toTop, height }: Ribbon) {
  const x1 = NAMES + BANK;
  const x2 = WIDTH - NAMES - BANK;
  const middle = (x1 + x2) / 2;
  const bottom = Math.max(height, 0.6);
  return (
    `M${x1} ${fromTop}C${middle} ${fromTop} ${middle} ${toTop} ${x2} ${toTop}` +
    `V${toTop + bottom}C${middle} ${toTop + bottom} ${middle} ${fromTop + bottom} ${x1} ${fromTop + bottom}Z`
  );
}
