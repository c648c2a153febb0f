import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Setup",
  place: 1,
  load: () => import("./Setup"),
};
