import { defineConfig } from "vite";

/** The server as one file, without node_modules beside it. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: "server/main.ts",
    outDir: "dist/server",
    emptyOutDir: true,
    target: "node20",
    rollupOptions: { output: { entryFileNames: "main.js" } },
  },
  ssr: { noExternal: true },
});
