import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Intent",
  place: 1,
  load: () => import("./Intent"),
};
