import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";

/** The packing kit's own run and figures, three times as long each time, with straight cuts only. */

const services = "../shared/bench/packing/run.mjs";
const timesMs = [50, 250, 1000];

if (!existsSync(services)) {
  process.stdout.write("The packing kit is not beside the project; nothing to measure against.\n");
  process.exit(1);
}
let bad = 0;
for (const ms of timesMs) {
  const run = ["tsx", services, "bench/packing-adapter.ts", "--guillotine=1", `--time=${ms}`, "--quiet"];
  bad += spawnSync("npx", ["--no-install", ...run], { stdio: "inherit" }).status ?? 1;
}
process.exit(bad === 0 ? 0 : 1);
