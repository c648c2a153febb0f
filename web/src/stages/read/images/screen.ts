import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Images",
  place: 5,
  load: () => import("./Images"),
};
