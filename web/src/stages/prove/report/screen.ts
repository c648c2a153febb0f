import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Report",
  place: 2,
  load: () => import("./Report"),
};
