import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Visits",
  place: 10,
  load: () => import("./Visits"),
};
