import { spawn } from "node:child_process";
import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { launchOptions, viewport } from "../support/browser.ts";
import { everyTruth, type Truth } from "./measure.ts";

/** `npm run truth`: one table of what finished files come to, as programs that are not ours read them. */

const port = 4187;
const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
  stdio: ["ignore", "pipe", "inherit"],
});
await new Promise<void>((ready) => server.stdout.once("data", () => ready()));
const browser = await chromium.launch(launchOptions);

const percent = (share: number | undefined) => (share === undefined ? "–" : `${(100 * share).toFixed(2)} %`);

const columns: readonly (readonly [title: string, width: number, of: (t: Truth) => string])[] = [
  ["kind", 6, (t) => t.kind],
  ["size", 20, (t) => t.size],
  ["ppi", 5, (t) => t.density],
  ["profile", 20, (t) => t.profile],
  ["ΔE mean", 9, (t) => t.colours.mean.toFixed(2)],
  ["worst", 7, (t) => t.colours.worst.toFixed(2)],
  ["off screen", 11, (t) => percent(t.offScreen)],
  ["off PNG", 9, (t) => percent(t.offOther)],
  ["lost", 6, (t) => t.plate?.lost.toFixed(1) ?? "–"],
  ["alias", 6, (t) => t.plate?.alias.toFixed(1) ?? "–"],
];

try {
  const newPage = async () =>
    (await browser.newContext({ baseURL: `http://127.0.0.1:${port}`, viewport, acceptDownloads: true })).newPage();
  const truths = await everyTruth(newPage, await mkdtemp(join(tmpdir(), "tessip-truth-")));
  process.stdout.write(`${columns.map(([title, width]) => title.padEnd(width)).join(" ")}\n`);
  for (const t of truths) process.stdout.write(`${columns.map(([, width, of]) => of(t).padEnd(width)).join(" ")}\n`);
} finally {
  await browser.close();
  server.kill();
}
