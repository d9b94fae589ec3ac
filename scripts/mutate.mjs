// npm run mutate -- [--count N] [--from K] [--seed S] [--only core/FOLDER]: makes random single-point changes to core, in a copy of the tree,
// runs core's unit tests against each, and prints the share that they notice. Tests of the same folder come first, then all that use the file.
// `--from` goes on with the K-th change of a seed.
import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative, sep } from "node:path";
import { parseArgs } from "node:util";
import { parseSync } from "@swc/core";

const { values } = parseArgs({
  options: {
    count: { type: "string", default: "150" },
    from: { type: "string", default: "1" },
    seed: { type: "string", default: "1" },
    only: { type: "string", default: "core" },
  },
});
const root = join(import.meta.dirname, "..");
const leftOut = new Set(["node_modules", "dist", ".git", ".types", "test-results", ".cache"]);

/** What stands in place of an operator. */
const others = {
  "+": "-",
  "-": "+",
  "*": "/",
  "/": "*",
  "<": "<=",
  "<=": "<",
  ">": ">=",
  ">=": ">",
  "===": "!==",
  "!==": "===",
  "&&": "||",
  "||": "&&",
};

/** Mulberry32. */
function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** All places in a file where one thing can be made another: bytes from `start` to `end` become `text`. */
function places(source) {
  const bytes = Buffer.from(source);
  const tree = parseSync(source, { syntax: "typescript", target: "es2023" });
  // Spans count on from file to file.
  const base = tree.span.start;
  const head = bytes.length - Buffer.from(source.replace(/^(\s|\/\/.*\n|\/\*[\s\S]*?\*\/)+/, "")).length;
  const at = (position) => position - base + head;
  const found = [];
  const walk = (node) => {
    if (node === null || typeof node !== "object") return;
    if (Array.isArray(node)) return node.forEach(walk);
    if (typeof node.type === "string" && node.type.startsWith("Ts") && node.type !== "TsAsExpression") {
      if (!["TsNonNullExpression", "TsSatisfiesExpression", "TsConstAssertion"].includes(node.type)) return;
    }
    if (node.type === "ImportDeclaration" || node.type === "ExportNamedDeclaration") return;
    if (node.type === "NumericLiteral") {
      const text = node.value === 0 ? "1" : node.value === 1 ? "2" : `${node.value * 1.3}`;
      found.push({ start: at(node.span.start), end: at(node.span.end), text });
    }
    if (node.type === "BooleanLiteral")
      found.push({ start: at(node.span.start), end: at(node.span.end), text: `${!node.value}` });
    if (node.type === "BinaryExpression" && others[node.operator]) {
      const [from, to] = [at(node.left.span.end), at(node.right.span.start)];
      const between = bytes.subarray(from, to).toString();
      const o = between.indexOf(node.operator);
      if (o >= 0) {
        const start = from + Buffer.byteLength(between.slice(0, o));
        found.push({ start, end: start + node.operator.length, text: others[node.operator] });
      }
    }
    if (node.type === "UnaryExpression" && node.operator === "!")
      found.push({ start: at(node.span.start), end: at(node.argument.span.start), text: "" });
    for (const value of Object.values(node)) walk(value);
  };
  walk(tree.body);
  return found.filter(({ start, end }) => start >= 0 && end <= bytes.length && end > start);
}

const folder = mkdtempSync(join(tmpdir(), "tessip-mutate-"));
process.on("exit", () => rmSync(folder, { recursive: true, force: true }));
cpSync(root, folder, {
  recursive: true,
  filter: (from) =>
    !relative(root, from)
      .split(sep)
      .some((p) => leftOut.has(p)),
});
symlinkSync(join(root, "node_modules"), join(folder, "node_modules"));

const files = readdirSync(join(folder, values.only), { recursive: true, encoding: "utf8" })
  .map((f) => join(values.only, f))
  .filter(
    (f) => f.endsWith(".ts") && !/\.(test|fixture)\.ts$/.test(f) && !/[/\\](schema|assembly|shipped)[/\\]/.test(f),
  )
  .filter((f) => !/(loops-wasm|index)\.ts$/.test(f))
  .sort();
const all = files.flatMap((file) =>
  places(readFileSync(join(folder, file), "utf8")).map((place) => ({ file, ...place })),
);

/** A change that makes a loop endless is noticed by its tests not ending. */
const jest = (timeout, ...args) =>
  spawnSync(
    process.execPath,
    [
      "--experimental-vm-modules",
      "--disable-warning=ExperimentalWarning",
      "node_modules/jest/bin/jest.js",
      "--bail",
      // A worker of its own would go on when this one is ended.
      "--runInBand",
      "--silent",
      ...args,
    ],
    { cwd: folder, stdio: "ignore", timeout, killSignal: "SIGKILL" },
  ).status === 0;

const random = seeded(Number(values.seed));
const count = Math.min(Number(values.count), all.length);
const from = Math.min(Number(values.from), count);
let noticed = 0;
for (let n = 1; n <= count; n += 1) {
  const [{ file, start, end, text }] = all.splice(Math.floor(random() * all.length), 1);
  if (n < from) continue;
  const path = join(folder, file);
  const was = readFileSync(path);
  writeFileSync(path, Buffer.concat([was.subarray(0, start), Buffer.from(text), was.subarray(end)]));
  const [top] = relative("core", file).split(sep);
  const survives =
    jest(150_000, `core/${top}/`, "--passWithNoTests") &&
    jest(
      900_000,
      "--passWithNoTests",
      "--testPathIgnorePatterns",
      `/core/${top}/`,
      "^(?!.*/core/)",
      "--findRelatedTests",
      file,
    );
  writeFileSync(path, was);
  if (!survives) noticed += 1;
  const line = was.subarray(0, start).toString().split("\n").length;
  const what = `${file}:${line}  ${was.subarray(start, end).toString().trim()} → ${text || "nothing"}`;
  process.stdout.write(`${survives ? "not noticed" : "noticed    "}  ${what}\n`);
}
const tried = count - from + 1;
process.stdout.write(`${noticed} of ${tried} noticed: ${((100 * noticed) / tried).toFixed(0)} %\n`);
