import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Routes",
  place: 2,
  load: () => import("./Redirects"),
};
