// npm test: everything, from a fresh clone: set-up, types, lint, unit tests, build, end-to-end tests.
import { bin, ensureInstalled, ensureTestTools, run, runTogether } from "./set-up.mjs";

const step = async (name, what) => {
  const from = Date.now();
  process.stdout.write(`\n== ${name}\n`);
  await what();
  process.stdout.write(`== ${name}: ${((Date.now() - from) / 1000).toFixed(0)} s\n`);
};

await step("set-up", () => {
  ensureInstalled();
  ensureTestTools();
});
// Types are looked at on one core, the others for a while on two.
await step("types, lint, build, sample photos", () =>
  runTogether([
    [bin("tsc"), "-b"],
    ["npm", "run", "--silent", "lint"],
    [bin("vite"), "build", "--logLevel", "warn"],
    [bin("vite"), "build", "--config", "vite.server.config.ts", "--logLevel", "warn"],
    [bin("tsx"), "demo/sample/main.ts"],
  ]),
);
await step("unit tests", () => run("npm", ["run", "--silent", "unit"]));
await step("end-to-end tests", () => run(bin("playwright"), ["test"]));
