import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  // Fonts and pictures stay files: the content security policy allows no inlined ones but images.
  build: { assetsInlineLimit: 0 },
  test: { setupFiles: ["src/kit/testing.setup.ts"] },
});
