import type { Schemas } from "../api/client";

export type Decision = Schemas["Decision"];
export type DecisionKind = Schemas["DecisionKind"];
/** What is decided, by kind. */
export type Values = Required<Schemas["DecisionValues"]>;
export type IntentValue = Values["intent"];
export type RouteValue = Values["route"];

/** A decision whose value is what its kind says. */
export type Settled = { [Kind in DecisionKind]: { kind: Kind; value: Values[Kind] | null } }[DecisionKind];

/** The decision with its value by its kind: the contract gives them side by side. */
export const settled = (decision: Decision) => decision as Omit<Decision, "kind" | "value"> & Settled;

/** What was decided, where it is of this kind. */
export function valueOf<Kind extends DecisionKind>(decision: Decision | null | undefined, kind: Kind) {
  return decision?.kind === kind ? (decision.value as Values[Kind] | null) : null;
}
