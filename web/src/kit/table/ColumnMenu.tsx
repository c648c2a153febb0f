import Divider from "@mui/material/Divider";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import type { Column } from "./columns";

/** What can be done with a whole column besides sorting by it. */
export type ColumnActs = {
  sort: (order: string) => void;
  groupBy?: (field: string) => void;
  mark?: (field: string) => void;
  order: string[];
  setOrder: (fields: string[]) => void;
  width: (field: string, width: number | undefined) => void;
};

type Props<Row> = {
  at: { column: Column<Row>; anchor: HTMLElement; width: number } | null;
  acts: ColumnActs;
  close: () => void;
};

const STEP = 60;

/** The menu of a column's heading. */
export function ColumnMenu<Row>({ at, acts, close }: Props<Row>) {
  const field = at?.column.field ?? "";
  const place = acts.order.indexOf(field);
  const move = (by: number) => {
    const order = acts.order.filter((one) => one !== field);
    order.splice(place + by, 0, field);
    acts.setOrder(order);
  };
  const items: ([words: string, act: () => void, disabled?: boolean] | null)[] = [
    ["Sort upwards", () => acts.sort(field)],
    ["Sort downwards", () => acts.sort(`-${field}`)],
    null,
    ...(acts.groupBy ? [["Count by this column", () => acts.groupBy?.(field)] as [string, () => void]] : []),
    ...(acts.mark && at?.column.kind === "number"
      ? [["Mark cells beyond a limit …", () => acts.mark?.(field)] as [string, () => void]]
      : []),
    null,
    ["Move to the left", () => move(-1), place <= 0],
    ["Move to the right", () => move(1), place === acts.order.length - 1],
    ["Wider", () => acts.width(field, (at?.width ?? 0) + STEP)],
    ["Narrower", () => acts.width(field, (at?.width ?? 0) - STEP)],
    ["Width as at first", () => acts.width(field, undefined)],
    [
      "Leave the column out",
      () => acts.setOrder(acts.order.filter((one) => one !== field)),
      field === "url" || acts.order.length === 1,
    ],
  ];
  return (
    <Menu anchorEl={at?.anchor ?? null} open={!!at} onClose={close} slotProps={{ list: { dense: true } }}>
      {items.map((item, index) =>
        item === null ? (
          <Divider key={`line ${index}`} />
        ) : (
          <MenuItem
            key={item[0]}
            disabled={item[2] ?? false}
            onClick={() => {
              close();
              item[1]();
            }}
          >
            {item[0]}
          </MenuItem>
        ),
      )}
    </Menu>
  );
}
