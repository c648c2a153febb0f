import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Live",
  place: 2,
  load: () => import("./Live"),
};
