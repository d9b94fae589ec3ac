import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";
import { VitePWA } from "vite-plugin-pwa";

export default defineConfig({
  root: "web",
  plugins: [
    react(),
    // Keeps the whole application in the browser, so that it works on when the server is off.
    VitePWA({
      registerType: "prompt",
      injectRegister: false,
      manifest: {
        name: "Tessip",
        short_name: "Tessip",
        description: "Collages and photo books from a family's photos, exact for the print lab",
        theme_color: "#f4efe6",
        background_color: "#f4efe6",
        display: "standalone",
        icons: [{ src: "/mark.svg", sizes: "any", type: "image/svg+xml" }],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2}"],
        navigateFallbackDenylist: [/^\/(health|lab|sample)(\/|$)/],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  optimizeDeps: { entries: ["index.html", "**/*.worker.ts"] },
  worker: { format: "es" },
  build: { outDir: "../dist/web", emptyOutDir: true, target: "es2023" },
  server: {
    host: "127.0.0.1",
    port: 5173,
    proxy: Object.fromEntries(["/health", "/lab", "/sample"].map((p) => [p, "http://127.0.0.1:4173"])),
  },
});
