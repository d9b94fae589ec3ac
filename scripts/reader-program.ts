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
    const program = await buildReader(barrelOf);
    return `export const script = ${JSON.stringify(program.script)};\nexport const style = ${JSON.stringify(program.style)};`;
  },
  // The reading room writes it into the pages that the server hands out.
  async generateBundle() {
    this.emitFile({
      type: "asset",
      fileName: "reader-program.json",
      source: JSON.stringify(await buildReader(barrelOf)),
    });
  },
});

interface ReaderProgram {
  readonly script: string;
  readonly style: string;
}
let building: Promise<ReaderProgram> | undefined;

function buildReader(barrelOf: BarrelOf): Promise<ReaderProgram> {
  building ??= builtReader(barrelOf);
  return building;
}

async function builtReader(barrelOf: BarrelOf): Promise<ReaderProgram> {
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
      lib: {
        entry: join(import.meta.dirname, "../web/reader/main.tsx"),
        formats: ["iife"],
        name: "tessipReader",
        fileName: "reader",
      },
    },
  });
  const [first] = Array.isArray(built) ? built : [built];
  if (!first || !("output" in first)) throw new Error("the reader was not built");
  let [script, style] = ["", ""];
  for (const part of first.output)
    if (part.type === "chunk") script += part.code;
    else if (part.fileName.endsWith(".css")) style += String(part.source);
  return { script, style };
}
