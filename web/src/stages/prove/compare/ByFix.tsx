import { Link } from "react-router";
import type { Schemas } from "../../../api/client";
import { useAddress } from "../../../kit/address";
import { count } from "../../../kit/format";
import { stateLabel } from "../../../kit/fix/states";
import { Part } from "../../../kit/parts";
import { Plain } from "../../../kit/Plain";
import { Column, Quiet } from "../../../kit/pieces";

type Compared = Schemas["Comparison"];

const MOVES = [
  { name: "Rose", width: 60, right: true },
  { name: "Fell", width: 60, right: true },
];

/** Which fixes explain what changed, and where it changed. */
export function ByFix({ fixes, groups }: Pick<Compared, "fixes" | "groups">) {
  const { to } = useAddress();
  return (
    <Column>
      <Part title="By fix" level="h2">
        {fixes.length === 0 ? (
          <Quiet>No fix was proved or came back in between.</Quiet>
        ) : (
          <Plain label="By fix" columns={[{ name: "Fix" }, { name: "State", width: 90 }, ...MOVES]}>
            {fixes.map((fix) => (
              <tr key={fix.id}>
                <td title={fix.why ?? ""}>
                  <Link to={to("prove/proofs", { fix: fix.id })}>
                    {fix.id} {fix.title}
                  </Link>
                </td>
                <td>{stateLabel(fix.state)}</td>
                <td className="number">{count(fix.rose)}</td>
                <td className="number">{count(fix.fell)}</td>
              </tr>
            ))}
          </Plain>
        )}
      </Part>
      <Part title="By group" level="h2">
        {groups.length === 0 ? (
          <Quiet>No page of any group rose or fell.</Quiet>
        ) : (
          <Plain
            label="By group"
            columns={[{ name: "Group" }, ...MOVES, { name: "As decided", width: 84, right: true }]}
          >
            {groups.map((one) => (
              <tr key={one.group}>
                <td>{one.group}</td>
                <td className="number">{count(one.rose)}</td>
                <td className="number">{count(one.fell)}</td>
                <td className="number">{count(one.as_decided)}</td>
              </tr>
            ))}
          </Plain>
        )}
      </Part>
    </Column>
  );
}
