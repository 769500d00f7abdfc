import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vite";

const workshop = { target: "http://127.0.0.1:8000", changeOrigin: false };

export default defineConfig({
  html: { cspNonce: "__CSP_NONCE__" },
  plugins: [
    react(),
    tailwindcss(),
    // The page's assets are kept for a reload without the server; src/sw.ts says what else is.
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src",
      filename: "sw.ts",
      injectRegister: null,
      manifest: false,
      injectManifest: { globPatterns: ["assets/*.{js,css,woff2}"] },
    }),
  ],
  server: { proxy: { "/api": workshop } },
  build: { assetsInlineLimit: 0, sourcemap: false, target: "es2022" },
});
