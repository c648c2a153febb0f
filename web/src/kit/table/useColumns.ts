import { useAddress } from "../address";
import { chosen, type Column } from "./columns";

/**
 * Which columns of a table are shown, in which order: as the address says, else as they were shown last in this
 * browser, else as at first.
 */
export function useColumns<Row>(table: string, all: Column<Row>[], atFirst: string[]) {
  const { search, change } = useAddress();
  const key = `columns of ${table}`;
  const fields = search.get("cols")?.split(",") ?? localStorage.getItem(key)?.split(",") ?? atFirst;
  const known = chosen(all, fields);
  const set = (next: string[]) => {
    localStorage.setItem(key, next.join(","));
    change({ cols: next.join(",") === atFirst.join(",") ? undefined : next.join(",") }, true);
    if (next.join(",") === atFirst.join(",")) localStorage.removeItem(key);
  };
  return { columns: known.length > 0 ? known : chosen(all, atFirst), set };
}
