import { join } from "node:path";
import react from "@vitejs/plugin-react";
import { build, type Plugin } from "vite";
import { type BarrelOf, pastBarrels } from "./past-barrels.ts";

const name = "virtual:reader-program";
const resolved = `\0${name}`;

/**
 * The program and the style of a proof that is read by itself, as texts that the application writes into the file: built apart from it, with
 * nothing of it but what reading needs.
 */
export const readerProgram = (barrelOf: BarrelOf): Plugin => ({
  name: "reader-program",
  resolveId: (id) => (id === name ? resolved : undefined),
  async load(id) {
    if (id !== resolved) return undefined;
    const entry = join(import.meta.dirname, "../web/reader/main.tsx");
    this.addWatchFile(entry);
    const built = await build({
      configFile: false,
      logLevel: "error",
      publicDir: false,
      plugins: [react(), pastBarrels(barrelOf)],
      define: { "process.env.NODE_ENV": '"production"' },
      build: {
        write: false,
        target: "es2022",
        cssCodeSplit: false,
        lib: { entry, formats: ["iife"], name: "tessipReader", fileName: "reader" },
      },
    });
    const [first] = Array.isArray(built) ? built : [built];
    if (!first || !("output" in first)) throw new Error("the reader was not built");
    let [script, style] = ["", ""];
    for (const part of first.output)
      if (part.type === "chunk") script += part.code;
      else if (part.fileName.endsWith(".css")) style += String(part.source);
    return `export const script = ${JSON.stringify(script)};\nexport const style = ${JSON.stringify(style)};`;
  },
});
