import { spawn } from "node:child_process";
import { parseArgs } from "node:util";
import { chromium } from "@playwright/test";
import { launchOptions, viewport } from "../support/browser.ts";
import { hostileFiles } from "./generator.ts";
import { Giver, type Verdict } from "./give.ts";

/** `npm run hostile -- --seed 7`: gives all of them to the application and prints what became of them. */

const { values } = parseArgs({
  options: {
    seed: { type: "string", default: "1" },
    /** Where the built application lies. */
    home: { type: "string", default: process.cwd() },
    only: { type: "string" },
  },
});
const port = 4186;
const server = spawn(
  process.execPath,
  [`${values.home}/dist/server/main.js`, "--port", String(port), "--home", values.home],
  {
    stdio: ["ignore", "pipe", "inherit"],
  },
);
await new Promise<void>((ready) => server.stdout.once("data", () => ready()));
const browser = await chromium.launch(launchOptions);
const counts: Record<Verdict, number> = { accepted: 0, refused: 0, slow: 0, lost: 0 };
try {
  const context = await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, viewport });
  const page = await context.newPage();
  const outside: string[] = [];
  page.on(
    "request",
    (r) => !r.url().startsWith(`http://127.0.0.1:${port}`) && /^https?:/.test(r.url()) && outside.push(r.url()),
  );
  const violations: string[] = [];
  page.on("console", (m) => /Content Security Policy/i.test(m.text()) && violations.push(m.text()));
  const giver = new Giver(page);
  await giver.begin();
  const files = (await hostileFiles(Number(values.seed))).filter((f) => !values.only || f.name.includes(values.only));
  for (const file of files) {
    const { verdict, ms, why } = await giver.give(file);
    counts[verdict] += 1;
    const name = JSON.stringify(file.name.slice(0, 60));
    process.stdout.write(`${verdict.padEnd(9)} ${String(ms).padStart(6)} ms  ${file.door.padEnd(10)} ${name} ${why}\n`);
  }
  process.stdout.write(
    `\n${files.length} files: ${Object.entries(counts)
      .map(([k, n]) => `${k} ${n}`)
      .join(", ")}; asked for outside: ${outside.length}; stopped only by the policy: ${violations.length}\n`,
  );
  for (const v of [...outside, ...violations].slice(0, 10)) process.stdout.write(`  ${v.slice(0, 200)}\n`);
  process.exitCode = counts.slow + counts.lost + outside.length + violations.length === 0 ? 0 : 1;
} finally {
  await browser.close();
  server.kill();
}
