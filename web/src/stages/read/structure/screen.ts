import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Structure",
  place: 6,
  load: () => import("./Structure"),
};
