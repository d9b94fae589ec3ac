import { spawn } from "node:child_process";
import { mkdtemp, readdir, readFile, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { chromium } from "@playwright/test";
import sharp from "sharp";
import { launchOptions, viewport } from "../e2e/support/browser.ts";
import { makeFiles } from "./camera-files.ts";

/**
 * Brings photos of 12 megapixels in through the real interface, and lets sharp make a preview of the same files in the
 * same run: the ratio is the figure. Needs the build and the sample (`npm run demo` makes both).
 */

const { values } = parseArgs({ options: { count: { type: "string", default: "500" } } });
const count = Number(values.count);
const port = 4196;
const lanes = 2;

async function withSharp(files: readonly string[]): Promise<number> {
  sharp.concurrency(1);
  const queue = [...files];
  const from = performance.now();
  const work = async () => {
    for (let f = queue.shift(); f; f = queue.shift())
      await sharp(f).rotate().resize(400, 400, { fit: "inside" }).jpeg({ quality: 85 }).toBuffer();
  };
  await Promise.all(Array.from({ length: lanes }, work));
  return (performance.now() - from) / 1000;
}

/** Memory that the browser's page holds for itself (proportional set size of the largest page process), in MB. */
async function pageMemory(profile: string): Promise<number> {
  let most = 0;
  for (const pid of (await readdir("/proc")).filter((d) => /^\d+$/.test(d))) {
    const line = await readFile(`/proc/${pid}/cmdline`, "utf8").catch(() => "");
    if (!line.includes("--type=renderer") || !line.includes(profile)) continue;
    const rollup = await readFile(`/proc/${pid}/smaps_rollup`, "utf8").catch(() => "");
    most = Math.max(most, Number(/^Pss:\s+(\d+)/m.exec(rollup)?.[1] ?? 0));
  }
  return most / 1024;
}

const folder = await mkdtemp(join(tmpdir(), "tessip-bench-"));
const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
  stdio: ["ignore", "pipe", "inherit"],
});
try {
  await new Promise((ready) => server.stdout.once("data", ready));
  const files = await makeFiles(count, folder);
  const sharpSeconds = await withSharp(files);
  const profile = join(folder, "profile");
  const context = await chromium.launchPersistentContext(profile, { ...launchOptions, viewport });
  const page = await context.newPage();
  await page.goto(`http://127.0.0.1:${port}/photos`);
  await page.getByRole("button", { name: "Add photos" }).waitFor();
  const from = performance.now();
  await page.getByTestId("choose-files").setInputFiles(files);
  const peaks = [0, 0, 0, 0];
  const heading = page.getByRole("heading", { name: `${count.toLocaleString("en")} photos`, exact: true });
  while (!(await heading.isVisible())) {
    const shown = (await page.getByText(/^Bringing in/).allTextContents())[0];
    const done = Number(/Bringing in ([\d,]+)/.exec(shown ?? "")?.[1]?.replaceAll(",", "") ?? 0);
    const quarter = Math.min(3, Math.floor((4 * done) / count));
    peaks[quarter] = Math.max(peaks[quarter]!, await pageMemory(profile));
    await page.waitForTimeout(250);
  }
  const seconds = (performance.now() - from) / 1000;
  const kept = await page.getByRole("heading", { level: 1 }).textContent();
  await context.close();
  const rate = (s: number) => (count / s).toFixed(1);
  process.stdout.write(
    [
      `${count} photos of 12 megapixels, ${lanes} lanes, kept: ${kept}`,
      `Tessip     ${seconds.toFixed(1)} s   ${rate(seconds)} photos a second (read, checked, hashed, previewed, stored, shown)`,
      `sharp      ${sharpSeconds.toFixed(1)} s   ${rate(sharpSeconds)} photos a second (preview only)`,
      `ratio      ${(seconds / sharpSeconds).toFixed(2)}`,
      `page memory, peak in each quarter: ${peaks.map((p) => `${p.toFixed(0)} MB`).join(", ")}`,
      "",
    ].join("\n"),
  );
} finally {
  server.kill();
  await rm(folder, { recursive: true, force: true });
}
