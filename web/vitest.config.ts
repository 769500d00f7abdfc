import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  test: { environment: "jsdom", include: ["src/**/*.spec.{ts,tsx}"], testTimeout: 20_000 },
});
