import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Compare",
  place: 1,
  load: () => import("./Compare"),
};
