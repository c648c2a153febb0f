import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Review",
  place: 1.7,
  load: () => import("./Review"),
};
