import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Redirects",
  place: 2,
  load: () => import("./Redirects"),
};
