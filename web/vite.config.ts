import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

type Groups = <Item, Key>(items: Iterable<Item>, keyOf: (item: Item, place: number) => Key) => Map<Key, Item[]>;

// Vitest tells what failed by means of this, which Node 20 hasn't got yet.
(Map as unknown as { groupBy?: Groups }).groupBy ??= (items, keyOf) => {
  const groups = new Map();
  let place = 0;
  for (const item of items) {
    const key = keyOf(item, place++);
    groups.set(key, [...(groups.get(key) ?? []), item]);
  }
  return groups;
};

export default defineConfig({
  plugins: [react()],
  // Fonts and pictures stay files: the content security policy allows no inlined ones but images.
  build: { assetsInlineLimit: 0 },
  // On a busy machine all takes longer. What the tests import is loaded once for all files of a process: it is most of
  // what they'd take.
  test: { setupFiles: ["src/kit/testing.setup.ts"], testTimeout: 60_000, isolate: false },
});
