import type { Screen } from "../../screen";

export const screen: Screen = {
  load: () => import("./DossierPage"),
};
