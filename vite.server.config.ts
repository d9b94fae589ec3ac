import { defineConfig } from "vite";

/** The server and its reading thread, each as one file, without node_modules beside it. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: "dist/server",
    emptyOutDir: true,
    target: "node20",
    rollupOptions: {
      input: { main: "server/main.ts", "reading-thread": "server/lab/reading-thread.ts" },
      output: { entryFileNames: "[name].js" },
    },
  },
  ssr: { noExternal: true },
});
