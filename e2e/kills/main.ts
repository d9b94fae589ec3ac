import { spawn } from "node:child_process";
import { parseArgs } from "node:util";
import { killRounds } from "./rounds.ts";

/** `npm run kills -- --rounds 200 --seed 7`: prints what was lost. */

const { values } = parseArgs({
  options: {
    rounds: { type: "string", default: "100" },
    seed: { type: "string", default: "1" },
    /** Where the built application lies. */
    home: { type: "string", default: process.cwd() },
    port: { type: "string", default: "4187" },
  },
});
const port = Number(values.port);
const server = spawn(
  process.execPath,
  [`${values.home}/dist/server/main.js`, "--port", String(port), "--home", values.home],
  {
    stdio: ["ignore", "pipe", "inherit"],
  },
);
await new Promise<void>((ready) => server.stdout.once("data", () => ready()));
const log = (line: string) => process.stdout.write(`${line}\n`);
try {
  const report = await killRounds({
    baseURL: `http://127.0.0.1:${port}`,
    rounds: Number(values.rounds),
    seed: Number(values.seed),
    log,
  });
  log(
    `\n${report.rounds} rounds, ${report.undone} of them not driven to their end, ${report.acknowledged} deeds that were said to be kept`,
  );
  log(
    `killed during: ${Object.entries(report.killedDuring)
      .map(([k, v]) => `${k} ${v}`)
      .join(", ")}`,
  );
  log(`lost: ${report.lost.length === 0 ? "nothing" : report.lost.length}`);
  for (const l of report.lost) log(`  ${l}`);
  process.exitCode = report.lost.length === 0 ? 0 : 1;
} finally {
  server.kill();
}
