import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Links",
  place: 7,
  load: () => import("./Links"),
};
