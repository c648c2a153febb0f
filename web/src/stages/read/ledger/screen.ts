import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Ledger",
  place: 2,
  load: () => import("./Ledger"),
};
