import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Links",
  place: 4,
  load: () => import("./Links"),
};
