// What both README commands need before anything of the project can run. Plain Node: nothing is installed yet.
import { spawn, spawnSync } from "node:child_process";
import { existsSync, statSync } from "node:fs";
import { join } from "node:path";

export const home = join(import.meta.dirname, "..");

/** Runs a program to its end with its output shown; a failure ends this process with the same code. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: home, stdio: "inherit", ...options });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

/**
 * Runs programs side by side, and shows what each of them said, in their order, when all have ended. The code of the first that failed
 * ends this process.
 */
export async function runTogether(programs) {
  const ended = await Promise.all(
    programs.map(
      ([command, ...args]) =>
        new Promise((done, failed) => {
          const said = [];
          const child = spawn(command, args, { cwd: home, stdio: ["ignore", "pipe", "pipe"] });
          for (const stream of [child.stdout, child.stderr]) stream.on("data", (some) => said.push(some));
          child.on("error", failed);
          child.on("close", (code) => done({ code: code ?? 1, said: Buffer.concat(said) }));
        }),
    ),
  );
  for (const { said } of ended) process.stdout.write(said);
  const failed = ended.find(({ code }) => code !== 0);
  if (failed) process.exit(failed.code);
}

export const bin = (name) => join(home, "node_modules", ".bin", name);

const changedAt = (file) => (existsSync(file) ? statSync(file).mtimeMs : 0);

export function ensureInstalled() {
  const installed = join(home, "node_modules", ".package-lock.json");
  if (changedAt(installed) >= changedAt(join(home, "package-lock.json"))) return;
  process.stdout.write("Installing the packages of the lock file (about a minute) …\n");
  run("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"]);
}

/** The browser that the tests drive, and programs that are not ours to read files back with. */
const debian = {
  chromium: "/usr/bin/chromium",
  "poppler-utils": "/usr/bin/pdfinfo",
  qpdf: "/usr/bin/qpdf",
  "libimage-exiftool-perl": "/usr/bin/exiftool",
  "librsvg2-bin": "/usr/bin/rsvg-convert",
  "mupdf-tools": "/usr/bin/mutool",
  "libtiff-tools": "/usr/bin/tiffinfo",
  pngcheck: "/usr/bin/pngcheck",
  unzip: "/usr/bin/unzip",
};

export function ensureTestTools() {
  const missing = Object.keys(debian).filter((name) => !existsSync(debian[name]));
  if (missing.length === 0) return;
  process.stdout.write(`Installing from Debian for the tests: ${missing.join(", ")} …\n`);
  const sudo = process.getuid?.() === 0 ? [] : ["sudo"];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, "apt-get", "-qq", "-y", ...args];
    run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } });
  };
  apt("update");
  apt("install", ...missing);
}
