import type { Screen } from "../../screen";

export const screen: Screen = {
  name: "Sitemaps",
  place: 4,
  load: () => import("./Sitemaps"),
};
