const CELL = 7;
const STEP = 8;
const FILLS: Record<string, string> = {
  i: "var(--mui-palette-verdigris)",
  n: "var(--mui-palette-moss)",
  o: "var(--mui-palette-brass)",
};

/** A matrix in small: rows name columns; an empty frame is a hole. */
export function SmallMatrix({ states }: { states: string[] }) {
  const columns = Math.max(...states.map((row) => row.length), 1);
  return (
    <svg width={Math.min(columns, 6) * STEP} height={Math.min(states.length, 6) * STEP} aria-hidden>
      {states
        .slice(0, 6)
        .map((row, y) =>
          [...row]
            .slice(0, 6)
            .map((state, x) => (
              <rect
                key={`${x} ${y}`}
                x={x * STEP + 0.5}
                y={y * STEP + 0.5}
                width={CELL - 1}
                height={CELL - 1}
                fill={FILLS[state] ?? "none"}
                stroke={state === "h" ? "var(--mui-palette-rust)" : "none"}
              />
            )),
        )}
    </svg>
  );
}
