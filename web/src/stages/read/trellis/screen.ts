import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Trellis",
  place: 1,
  load: () => import("./TrellisScreen"),
};
