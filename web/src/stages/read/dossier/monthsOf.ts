import type { Schemas } from "../../../api/client";

type Month = Schemas["RecordMonth"];

/** The months of two records on one axis, without gaps. */
export function monthsOf(own: Month[], heir: Month[]) {
  const names = [...own, ...heir].map((one) => one.month).sort();
  const [first, last] = [names[0], names.at(-1)];
  const axis: string[] = [];
  for (let month = first; month !== undefined && last !== undefined && month <= last; month = after(month))
    axis.push(month);
  const at = (list: Month[], month: string) => list.find((one) => one.month === month);
  return axis.map((month) => ({ month, own: at(own, month), heir: at(heir, month) }));
}

/** "2026-12" is followed by "2027-01". */
function after(month: string) {
  const [year = 0, number = 0] = month.split("-").map(Number);
  return number === 12 ? `${year + 1}-01` : `${year}-${String(number + 1).padStart(2, "0")}`;
}
