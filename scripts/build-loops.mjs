// npm run loops: compiles the loops that scale photos to WebAssembly and writes them as a string beside their source, so that no
// build needs the compiler. With --check it only says whether they are what their source gives.
import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { bin, home } from "./set-up.mjs";

const folder = mkdtempSync(join(tmpdir(), "tessip-loops-"));
const made = join(folder, "loops.wasm");
const source = "core/pixels/assembly/loops.ts";
const options = ["--enable", "simd", "--runtime", "stub", "--importMemory", "-O3"];
execFileSync(bin("asc"), [source, ...options, "--outFile", made], { cwd: home, stdio: "inherit" });
const text = [
  "/** The program of `assembly/loops.ts`, in base 64; `npm run loops` makes it. */",
  "export const loopsWasm =",
  `  "${readFileSync(made).toString("base64")}";`,
  "",
].join("\n");
rmSync(folder, { recursive: true });
const at = join(home, "core/pixels/loops-wasm.ts");
if (!process.argv.includes("--check")) writeFileSync(at, text);
else if (readFileSync(at, "utf8") !== text)
  throw new Error("loops-wasm.ts is not what its source gives: npm run loops");
