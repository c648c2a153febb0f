import type { ComponentType } from "react";

/** What a folder of stages/ declares in its screen.ts; its address is that of the folder. */
export type Screen = {
  /** As the rail names it; a screen without a name isn't on the rail. */
  name?: string;
  /** Where among the screens of its stage it stands, from the top. */
  place?: number;
  load: () => Promise<{ default: ComponentType }>;
};
