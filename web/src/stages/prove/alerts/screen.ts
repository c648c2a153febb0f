import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Alerts",
  place: 3,
  load: () => import("./Alerts"),
};
