import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Queries",
  place: 8,
  load: () => import("./Queries"),
};
