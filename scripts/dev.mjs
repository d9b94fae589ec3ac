// npm run dev: the client by Vite with its changes shown as they are saved, and the server started again on each change.
import { spawn } from "node:child_process";
import { bin, ensureInstalled, home, run } from "./set-up.mjs";

ensureInstalled();
run(bin("tsx"), ["demo/sample/main.ts"]);
// The server reads files in a thread that runs the built program.
run(bin("vite"), ["build", "--config", "vite.server.config.ts", "--logLevel", "error"]);
const parts = [
  spawn(bin("tsx"), ["watch", "server/main.ts"], { cwd: home, stdio: "inherit" }),
  spawn(bin("vite"), [], { cwd: home, stdio: "inherit" }),
];
const stop = () => {
  for (const part of parts) part.kill("SIGTERM");
};
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
for (const part of parts) part.on("exit", stop);
