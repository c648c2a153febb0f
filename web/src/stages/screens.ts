import { type ComponentType, type LazyExoticComponent, lazy } from "react";
import type { Screen } from "./screen";

const FOUND = import.meta.glob<{ screen: Screen }>("./*/*/screen.ts", { eager: true });

/** Every screen that a folder declares, with its path, such as "read/ledger". */
export const SCREENS: { path: string; name?: string; Drawn: LazyExoticComponent<ComponentType> }[] = Object.entries(
  FOUND,
)
  .map(([file, { screen }]) => ({ ...screen, path: file.slice(2, -"/screen.ts".length) }))
  .sort((one, other) => (one.place ?? 0) - (other.place ?? 0))
  .map(({ path, name, load }) => ({ path, name, Drawn: lazy(load) }));

/** The five stages, each with its screens; a stage without screens is shown as coming. */
export const STAGES = [
  { name: "Crawl", folder: "crawl", letter: "c" },
  { name: "Read", folder: "read", letter: "r" },
  { name: "Decide", folder: "decide", letter: "d" },
  { name: "Plan", folder: "plan", letter: "p" },
  { name: "Prove", folder: "prove", letter: "v" },
].map((stage) => ({
  ...stage,
  screens: SCREENS.flatMap(({ path, name }) => (name && path.startsWith(`${stage.folder}/`) ? [{ path, name }] : [])),
}));
