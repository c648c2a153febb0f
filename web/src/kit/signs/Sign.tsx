import type { ReactNode } from "react";

export type State = "stops" | "diverts" | "weakens" | "passes" | "unknown";

const WORDS: Record<State, string> = {
  stops: "stops",
  diverts: "diverts",
  weakens: "weakens",
  passes: "passes",
  unknown: "not known",
};

const COLOURS: Record<State, string> = {
  stops: "var(--mui-palette-rust)",
  diverts: "var(--mui-palette-brass)",
  weakens: "var(--mui-palette-heather)",
  passes: "var(--mui-palette-verdigris)",
  unknown: "var(--mui-palette-slate)",
};

/** The colour that goes with a state; the shape says the same, so that colour is never alone. */
export const colourOf = (state: State) => COLOURS[state];

const SHAPES: Record<State, ReactNode> = {
  stops: <path d="M2 9h12v3.5H2z" fill="currentColor" />,
  diverts: (
    <path
      d="M3 2v4.5q0 3 3 3h6M9 6l3.5 3.5L9 13"
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
    />
  ),
  weakens: <path d="M1.5 9h3.5M6.5 9h3.5M11.5 9h3" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" />,
  passes: <path d="M2 11C2 6 7 3 14 4c-.5 5.5-5 8.5-9.5 7.500L2 13z" fill="currentColor" />,
  unknown: <circle cx="8" cy="8" r="4.5" fill="none" stroke="currentColor" strokeWidth="1.8" />,
};

/** The sign of a state as SVG content, on a 16 by 16 field, for use inside drawings. */
export function SignShape({ state, x = 0, y = 0 }: { state: State; x?: number; y?: number }) {
  return (
    <g transform={`translate(${x} ${y})`} color={COLOURS[state]}>
      {SHAPES[state]}
    </g>
  );
}

/** The sign of a state, with its name for those who can't see it. */
export function Sign({ state, label, size = 16 }: { state: State; label?: string; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={label ?? WORDS[state]}
      style={{ flex: "none" }}
    >
      <SignShape state={state} />
    </svg>
  );
}
