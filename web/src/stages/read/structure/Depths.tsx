import { PlainList } from "../../../kit/pieces";
import Box from "@mui/material/Box";
import { Link } from "react-router";
import type { Schemas } from "../../../api/client";
import { narrowed, useAddress } from "../../../kit/address";
import { count, counted } from "../../../kit/format";

type Depth = Schemas["Structure"]["depths"][number];

/**
 * Pages by clicks from the start: each depth a shoot on the upright, as long as its pages, green as far as they may be
 * indexed.
 */
export function Depths({ depths, deepFrom }: { depths: Depth[]; deepFrom: number }) {
  const { to } = useAddress();
  const most = Math.max(1, ...depths.map((one) => one.pages));
  const addressOf = ({ depth }: Depth) =>
    to(
      "read/ledger",
      narrowed(depth === null ? { field: "depth", op: "empty" } : { field: "depth", op: "is", value: depth }, {
        field: "kind",
        op: "is",
        value: "html",
      }),
    );
  return (
    <>
      <PlainList component="ol">
        {depths.map((one) => (
          <Box component="li" key={one.depth ?? "none"} sx={ROW}>
            <Box component="span" sx={{ textAlign: "right", pr: 1.25, color: "text.secondary" }}>
              {one.depth === null ? "not linked" : counted(one.depth, "click")}
            </Box>
            <Box
              sx={{ borderLeft: 3, borderColor: "iron", py: 0.5, display: "flex", alignItems: "center", minWidth: 0 }}
            >
              <Shoot depth={one} most={most} />
              <Box component="span" sx={{ pl: 1, whiteSpace: "nowrap" }}>
                <Link to={addressOf(one)}>{count(one.pages)}</Link>
                {one.depth !== null && one.depth >= deepFrom && one.important > 0 && (
                  <Box component="strong" sx={{ color: "rust", pl: 1 }}>
                    {counted(one.important, "page")} that matter{one.important === 1 ? "s" : ""}
                  </Box>
                )}
              </Box>
            </Box>
          </Box>
        ))}
      </PlainList>
      <Box sx={{ pt: 1.5, pl: "77px", color: "text.secondary", fontSize: 12 }}>
        Green may be indexed, striped may not. Lengths go by the square root, so that small numbers are seen.
      </Box>
    </>
  );
}

const ROW = { display: "grid", gridTemplateColumns: "74px minmax(0, 1fr)", alignItems: "center" } as const;

/** The green part may be indexed, the dashed rest may not. */
function Shoot({ depth, most }: { depth: Depth; most: number }) {
  const width = (pages: number) => `${(Math.sqrt(pages / most) * 62).toFixed(2)}%`;
  const green = depth.pages === 0 ? 0 : depth.indexable / depth.pages;
  return (
    <Box
      component="span"
      title={`${count(depth.indexable)} of ${counted(depth.pages, "page")} may be indexed`}
      sx={{
        width: width(depth.pages),
        minWidth: 3,
        height: 14,
        display: "flex",
        borderRadius: "0 8px 8px 0",
        overflow: "hidden",
      }}
    >
      <Box component="span" sx={{ width: `${green * 100}%`, bgcolor: "moss" }} />
      <Box
        component="span"
        sx={{
          flex: 1,
          backgroundImage: "repeating-linear-gradient(90deg, var(--mui-palette-rust) 0 2px, transparent 2px 6px)",
        }}
      />
    </Box>
  );
}
