import Box from "@mui/material/Box";
import type { ReactNode } from "react";

type Props = { label: string; columns: string[]; children: ReactNode };

/** A quiet table whose cells wrap and whose columns take the width that they need. The rows are the children. */
export function Roomy({ label, columns, children }: Props) {
  return (
    <Box
      component="table"
      aria-label={label}
      sx={{
        width: "100%",
        borderCollapse: "collapse",
        "& th": { textAlign: "left", color: "text.secondary", fontWeight: 500, fontSize: 12 },
        "& th, & td": { px: 0.75, py: 0.5, borderBottom: 1, borderColor: "divider", verticalAlign: "baseline" },
      }}
    >
      <thead>
        <tr>
          {columns.map((name) =>
            name === "" ? (
              <td key="none" />
            ) : (
              <th scope="col" key={name}>
                {name}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </Box>
  );
}
