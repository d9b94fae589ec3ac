import { createReadStream, readFileSync } from "node:fs";
import { join } from "node:path";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";
import { VitePWA } from "vite-plugin-pwa";
import { pastBarrels } from "./scripts/past-barrels.ts";
import { readerProgram } from "./scripts/reader-program.ts";
import { faceKeys, fontFiles } from "./web/words/font-urls.ts";

/** Files of packages that are fetched when they are needed, by the name under which they are: the face model and its program, fonts. */
const served: Record<string, string> = {
  ...Object.fromEntries(
    faceKeys.flatMap((key) =>
      fontFiles(key).map(({ family, file }) => [`fonts/${file}`, `node_modules/@fontsource/${family}/files/${file}`]),
    ),
  ),
  "models/blazeface.json": "node_modules/@vladmandic/human/models/blazeface.json",
  "models/blazeface.bin": "node_modules/@vladmandic/human/models/blazeface.bin",
  "models/tfjs-backend-wasm.wasm": "node_modules/@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm.wasm",
  "models/tfjs-backend-wasm-simd.wasm": "node_modules/@tensorflow/tfjs-backend-wasm/dist/tfjs-backend-wasm-simd.wasm",
};

const servePackageFiles = (): Plugin => ({
  name: "serve-package-files",
  generateBundle() {
    for (const [name, from] of Object.entries(served))
      this.emitFile({ type: "asset", fileName: name, source: readFileSync(from) });
  },
  configureServer(server) {
    server.middlewares.use((request, answer, next) => {
      const from = served[(request.url ?? "").replace(/^\//, "").replace(/\?.*/, "")];
      if (from) createReadStream(from).pipe(answer);
      else next();
    });
  },
});

const barrels: readonly (readonly [specifier: RegExp, file: string])[] = [
  [/^.*\/text\/index\.ts$/, "web/text/index.ts"],
  [/^#core\/([^/]+)$/, "core/$1/index.ts"],
  [/^@chakra-ui\/react$/, "node_modules/@chakra-ui/react/dist/esm/index.js"],
  [/^@chakra-ui\/react\/anatomy$/, "node_modules/@chakra-ui/react/dist/esm/anatomy.js"],
  [/^@ark-ui\/react$/, "node_modules/@ark-ui/react/dist/index.js"],
  [/^@ark-ui\/react\/([^/]+)$/, "node_modules/@ark-ui/react/dist/components/$1/index.js"],
  [/^@zag-js\/([^/]+)$/, "node_modules/@zag-js/$1/dist/index.mjs"],
  [/^lucide-react$/, "node_modules/lucide-react/dist/esm/lucide-react.mjs"],
];
const barrelOf = (specifier: string) => {
  const found = barrels.find(([pattern]) => pattern.test(specifier));
  return found && join(import.meta.dirname, specifier.replace(found[0], found[1]));
};

interface ModuleGraph {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null;
}
const known = new Map<string, ReadonlySet<string>>();

/** All modules that one imports without waiting. */
function neededBy(entry: string, graph: ModuleGraph): ReadonlySet<string> {
  const before = known.get(entry);
  if (before) return before;
  const found = new Set([join(import.meta.dirname, entry)]);
  for (const id of found) for (const to of graph.getModuleInfo(id)?.importedIds ?? []) found.add(to);
  known.set(entry, found);
  return found;
}

export default defineConfig({
  root: "web",
  plugins: [
    react(),
    pastBarrels(barrelOf),
    servePackageFiles(),
    readerProgram(barrelOf),
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
        file_handlers: [{ action: "/", accept: { "application/x-tessip": [".tessip"] } }],
        icons: [
          { src: "/mark.svg", sizes: "any", type: "image/svg+xml" },
          { src: "/mark-192.png", sizes: "192x192", type: "image/png" },
          { src: "/mark-512.png", sizes: "512x512", type: "image/png" },
        ],
      },
      workbox: {
        globPatterns: ["**/*.{js,css,html,svg,woff2,woff,wasm,bin}", "models/*.json"],
        navigateFallbackDenylist: [/^\/(health|lab|room|sample)(\/|$)/],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  optimizeDeps: { entries: ["index.html", "**/*.worker.ts"] },
  worker: { format: "es" },
  build: {
    outDir: "../dist/web",
    emptyOutDir: true,
    target: "es2023",
    chunkSizeWarningLimit: 800,
    // A file for each set of places that share a module would be a hundred files to open before a page is seen.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            // The letters of all scripts are many, and only names of files need them.
            { name: "latin", test: /any-ascii/, priority: 1 },
            // What every screen needs comes by itself, then what the start shows, before what only other screens share.
            { name: (id, graph) => (neededBy("web/main.tsx", graph).has(id) ? "first" : null), priority: 3 },
            {
              name: (id, graph) => (neededBy("web/app/screens/start/start-screen.tsx", graph).has(id) ? "start" : null),
              priority: 2,
            },
            { name: "shared", minShareCount: 3 },
          ],
        },
      },
    },
  },
  server: {
    host: "127.0.0.1",
    port: 5173,
    proxy: Object.fromEntries(["/health", "/lab/", "/room/", "/sample"].map((p) => [p, "http://127.0.0.1:4173"])),
  },
});
