import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Evidence",
  place: 3,
  load: () => import("./Evidence"),
};
