import type { Schemas } from "../../api/client";

export type State = Schemas["FixState"];

/** In the order in which a fix goes through them. */
export const STATES: { name: State; label: string }[] = [
  { name: "open", label: "Open" },
  { name: "planned", label: "Planned" },
  { name: "handed over", label: "Handed over" },
  { name: "claimed", label: "Said to be done" },
  { name: "partly", label: "Done in part" },
  { name: "not done", label: "Not done" },
  { name: "returned", label: "Came back" },
  { name: "proved", label: "Proved" },
  { name: "left", label: "Left" },
  { name: "lapsed", label: "Lapsed" },
];

/** @returns the state in words */
export const stateLabel = (name: State) => STATES.find((one) => one.name === name)?.label ?? name;
