import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Faults",
  place: 3,
  load: () => import("./Faults"),
};
