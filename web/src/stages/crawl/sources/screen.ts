import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Sources",
  place: 3,
  load: () => import("./Sources"),
};
