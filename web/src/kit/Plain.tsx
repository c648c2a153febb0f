import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** One column of a plain table: its heading, how wide it is, and on which side its values stand. */
export type PlainColumn = { name: string; width?: number | string; right?: boolean };

type Props = { label: string; columns: PlainColumn[]; children: ReactNode };

/** A quiet table: rows parted by mist, cut off rather than wrapped. The rows are the children. */
export function Plain({ label, columns, children }: Props) {
  return (
    <Box component="table" aria-label={label} sx={TABLE}>
      <thead>
        <tr>
          {columns.map((column) => (
            <Box
              component="th"
              scope="col"
              key={column.name}
              sx={{ width: column.width, "&&": { textAlign: column.right ? "right" : "left" } }}
            >
              {column.name}
            </Box>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </Box>
  );
}

const TABLE = {
  width: "100%",
  tableLayout: "fixed",
  borderCollapse: "collapse",
  "& td, & th": { textAlign: "left", py: 0.35, pr: 1.5, borderBottom: 1, borderColor: "divider", fontWeight: 400 },
  "& thead th": { color: "text.secondary", fontSize: 12 },
  "& td, & tbody th": { overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" },
  "& td.number": { textAlign: "right" },
} as const;
