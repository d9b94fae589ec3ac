import { spawn } from "node:child_process";
import { chromium, type Locator, type Page } from "@playwright/test";
import { launchOptions, viewport } from "../e2e/support/browser.ts";
import { shelfPhotos, startCollage, takeSample, tile, tiles } from "../e2e/support/tessip.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";

/**
 * Real drags on a page of 60 photos in headless Chromium: a seam, a photo being reframed, and one being slipped in. The
 * work of the main thread in each task, in ms of processor time; a frame has 16.
 */

const port = 4194;
const wantedMs = 16;

/** Two hundred small movements along a line, as quick as the page takes them. */
async function shaken(page: Page, from: { x: number; y: number }, reach: { dx: number; dy: number }): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  for (let i = 1; i <= 200; i += 1) {
    const share = Math.sin(i / 20);
    await page.mouse.move(from.x + reach.dx * share, from.y + reach.dy * share);
  }
  await page.mouse.up();
}

async function middleOf(of: Locator): Promise<{ x: number; y: number }> {
  const b = (await of.boundingBox())!;
  return { x: b.x + b.width / 2, y: b.y + b.height / 2 };
}

/** Faces are looked for in the background; the drags are to be measured without that. */
async function allLookedAt(page: Page): Promise<void> {
  const waits = () =>
    page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((done) => {
        const request = indexedDB.open("tessip");
        request.onsuccess = () => done(request.result);
      });
      const all = await new Promise<{ focus: unknown }[]>((done) => {
        const request = db.transaction("photos").objectStore("photos").getAll();
        request.onsuccess = () => done(request.result);
      });
      db.close();
      return all.filter((p) => !p.focus).length;
    });
  while ((await waits()) > 0) await page.waitForTimeout(1000);
}

const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor((1 - share) * sorted.length))] ?? 0;

const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
  stdio: ["ignore", "pipe", "inherit"],
});
await new Promise((ready) => server.stdout.once("data", ready));
const browser = await chromium.launch(launchOptions);
try {
  const page = await browser.newPage({ viewport, locale: "en-GB", baseURL: `http://127.0.0.1:${port}` });
  await page.goto("/");
  await takeSample(page);
  await page.goto("/");
  await startCollage(page, "Hollow Oak Posters", "18 × 24 in", "Sideways");
  await page.getByRole("button", { name: "Arrange the first 60 of them" }).click();
  await tiles(page).nth(59).waitFor();
  await allLookedAt(page);
  await page.waitForTimeout(2000);
  const figures: [string, FrameWork][] = [];
  const seam = await middleOf(page.getByRole("separator", { name: "Level seam 1", exact: true }));
  figures.push(["seam", await frameWork(page, () => shaken(page, seam, { dx: 0, dy: 24 }))]);
  const target = (await tile(page, 20).boundingBox())!;
  const photo = await middleOf(shelfPhotos(page).nth(5));
  figures.push([
    "slip in",
    await frameWork(page, async () => {
      await page.mouse.move(photo.x, photo.y);
      await page.mouse.down();
      await page.mouse.move(photo.x, photo.y - 40, { steps: 4 });
      for (let i = 0; i < 200; i += 1) {
        const at = (await tile(page, 1 + (i % 40)).boundingBox()) ?? target;
        await page.mouse.move(at.x + 3, at.y + at.height / 2);
      }
      await page.mouse.move(20, 20);
      await page.mouse.up();
    }),
  ]);
  await tile(page, 7).dblclick();
  await page.getByTestId("reframe").waitFor();
  await page.keyboard.press("+");
  await page.keyboard.press("+");
  const open = await middleOf(tile(page, 7));
  figures.push(["reframe", await frameWork(page, () => shaken(page, open, { dx: 30, dy: 12 }))]);
  for (const [name, { tasksMs }] of figures) {
    const [p50, p95] = [quantile(tasksMs, 0.5), quantile(tasksMs, 0.95)];
    const held = p95 < wantedMs ? "holds" : "too much";
    const line = [
      name.padEnd(8),
      `p50 ${p50.toFixed(1)} ms`,
      `p95 ${p95.toFixed(1)} ms`,
      `longest ${tasksMs[0]?.toFixed(1)} ms`,
    ];
    process.stdout.write(`${line.join("   ")}   (${tasksMs.length} tasks over 1 ms; ${held})\n`);
  }
} finally {
  await browser.close();
  server.kill();
}
