// npm test: everything, from a fresh clone: set-up, types, lint, unit tests, build, end-to-end tests.
import { bin, ensureInstalled, ensureTestTools, run } from "./set-up.mjs";

const step = (name, what) => {
  const from = Date.now();
  process.stdout.write(`\n== ${name}\n`);
  what();
  process.stdout.write(`== ${name}: ${((Date.now() - from) / 1000).toFixed(0)} s\n`);
};

step("set-up", () => {
  ensureInstalled();
  ensureTestTools();
});
step("types", () => run(bin("tsc"), ["-b"]));
step("lint", () => run("npm", ["run", "--silent", "lint"]));
step("unit tests", () => run("npm", ["run", "--silent", "unit"]));
step("sample photos", () => run(bin("tsx"), ["demo/sample/main.ts"]));
step("build", () => {
  run(bin("vite"), ["build", "--logLevel", "warn"]);
  run(bin("vite"), ["build", "--config", "vite.server.config.ts", "--logLevel", "warn"]);
});
step("end-to-end tests", () => run(bin("playwright"), ["test"]));
