import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Desk",
  place: 6,
  load: () => import("./Desk"),
};
