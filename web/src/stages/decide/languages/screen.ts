import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Languages",
  place: 3,
  load: () => import("./Languages"),
};
