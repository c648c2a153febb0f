import { useEffect } from "react";

type Acts<Row> = {
  move: (index: number) => void;
  open: (row: Row) => void;
  pick: (index: number) => void;
  ask: (row: Row) => void;
};

/** j and k move, x picks, Enter opens, m asks about the row. */
export function useRowKeys<Row>(rows: Row[], at: number, { move, open, pick, ask }: Acts<Row>) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // A menu or a dialog on top has the keys for itself.
      if (
        event.target instanceof HTMLElement &&
        event.target.closest("input, textarea, select, button, a, [role=menu], [role=dialog]")
      )
        return;
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const row = rows[at];
      if (event.key === "j") move(Math.min(rows.length - 1, at + 1));
      else if (event.key === "k") move(Math.max(0, at - 1));
      else if (event.key === "x") pick(at);
      else if (event.key === "m" && row) ask(row);
      else if (event.key === "Enter" && row) open(row);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [rows, at, move, open, pick, ask]);
}
