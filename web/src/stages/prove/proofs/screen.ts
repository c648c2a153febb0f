import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Proofs",
  place: 0.5,
  load: () => import("./Proofs"),
};
