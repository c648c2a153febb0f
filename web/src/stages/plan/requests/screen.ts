import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Requests",
  place: 2,
  load: () => import("./Requests"),
};
