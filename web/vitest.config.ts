import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  // One page for all files of a worker: making a page anew for each took four fifths of the time.
  test: { environment: "jsdom", isolate: false, include: ["src/**/*.spec.{ts,tsx}"], testTimeout: 20_000 },
});
