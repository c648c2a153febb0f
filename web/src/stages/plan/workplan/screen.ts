import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Workplan",
  place: 1,
  load: () => import("./Workplan"),
};
