import Box from "@mui/material/Box";
import { Link } from "react-router";
import type { Trellis } from "../../../api/client";
import { count } from "../../../kit/format";
import { causeOf } from "../../../kit/rungs";
import type { Cell } from "./types";

/** The numbers of the trellis as a plain table. */
export function TrellisTable({ trellis, addressOf }: { trellis: Trellis; addressOf: (cell: Cell) => string }) {
  return (
    <Box
      component="table"
      sx={{
        borderCollapse: "collapse",
        width: "100%",
        "& th, & td": { p: 1, borderBottom: 1, borderColor: "divider", textAlign: "right" },
        "& th:first-of-type": { textAlign: "left" },
      }}
    >
      <caption style={{ textAlign: "left", paddingBottom: 8 }}>Pages that are stopped, by cause and page group</caption>
      <thead>
        <tr>
          <th scope="col">Page group</th>
          <th scope="col">pages</th>
          {trellis.rungs.map((rung) => (
            <th scope="col" key={rung.name}>
              {causeOf(rung.name)}
              {rung.judged ? "" : " (not judged)"}
            </th>
          ))}
          <th scope="col">nothing stops</th>
        </tr>
      </thead>
      <tbody>
        {trellis.groups.map((group) => (
          <tr key={group.name}>
            <th scope="row">{group.name}</th>
            <td>{count(group.pages)}</td>
            {trellis.rungs.map((rung) => {
              const stops = group.stops[rung.name] ?? 0;
              return (
                <td key={rung.name}>
                  {stops === 0 ? (
                    ""
                  ) : (
                    <Link to={addressOf({ group: group.name, stop: rung.name })}>{count(stops)}</Link>
                  )}
                </td>
              );
            })}
            <td>
              {group.through === 0 ? (
                ""
              ) : (
                <Link to={addressOf({ group: group.name, stop: null })}>{count(group.through)}</Link>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
