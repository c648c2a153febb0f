import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Groups",
  place: 7,
  load: () => import("./Groups"),
};
