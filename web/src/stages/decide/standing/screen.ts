import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Standing",
  place: 1.5,
  load: () => import("./Standing"),
};
