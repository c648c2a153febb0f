import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Missing links",
  place: 7,
  load: () => import("./Links"),
};
