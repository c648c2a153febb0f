import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Lists",
  place: 9,
  load: () => import("./Lists"),
};
