// npm run demo: from a fresh clone to the running application with the sample beside it.
import { spawn } from "node:child_process";
import { bin, ensureInstalled, home, run } from "./set-up.mjs";

ensureInstalled();
run(bin("tsx"), ["demo/sample/main.ts"]);
process.stdout.write("Building …\n");
run(bin("vite"), ["build", "--logLevel", "warn"]);
run(bin("vite"), ["build", "--config", "vite.server.config.ts", "--logLevel", "warn"]);
const server = spawn(process.execPath, ["dist/server/main.js", ...process.argv.slice(2)], {
  cwd: home,
  stdio: "inherit",
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
