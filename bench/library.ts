import { spawn } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { chromium, type Page } from "@playwright/test";
import { launchOptions, viewport } from "../e2e/support/browser.ts";

/**
 * A library of 5,000 photos: how long it takes to open after the first time, and the longest stretch of work that
 * scrolling, choosing, searching and brushing put between two frames. Photos are written into storage as they would
 * be after bringing them in, with previews of one small picture each.
 */

const { values } = parseArgs({ options: { count: { type: "string", default: "5000" } } });
const count = Number(values.count);
const port = 4195;

/** Runs in the page. Years of photos in days of forty, every tenth in a burst with the one before. */
async function fillStorage(n: number): Promise<void> {
  const canvas = new OffscreenCanvas(300, 200);
  const ctx = canvas.getContext("2d")!;
  const db = await new Promise<IDBDatabase>((done, failed) => {
    const request = indexedDB.open("tessip");
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });
  const blobs: Blob[] = [];
  for (let i = 0; i < 40; i += 1) {
    ctx.fillStyle = `hsl(${i * 9} 50% 60%)`;
    ctx.fillRect(0, 0, 300, 200);
    blobs.push(await canvas.convertToBlob({ type: "image/jpeg" }));
  }
  const tx = db.transaction(["photos", "previews"], "readwrite");
  for (let i = 0; i < n; i += 1) {
    const at = new Date(Date.UTC(2020, 0, 1 + Math.floor(i / 40) * 14, 9, 0, (i % 40) * 90 - (i % 10 === 0 ? 0 : 1)));
    const look = [...crypto.getRandomValues(new Uint8Array(8))].map((b) => b.toString(16).padStart(2, "0")).join("");
    tx.objectStore("photos").put({
      id: `p${i}`,
      name: `DSC_${i}.jpg`,
      type: "image/jpeg",
      sizeBytes: 1,
      hash: i.toString(16).padStart(64, "0"),
      widthPx: i % 3 ? 3000 : 2000,
      heightPx: i % 3 ? 2000 : 3000,
      takenAt: at.toISOString().slice(0, 19),
      takenFrom: "exif",
      caption: i % 7 ? "" : "By the lock",
      likeness: { look, tint: "808080", detail: i % 90 },
      focus: { faces: [], point: { x: 0.5, y: 0.5 }, from: "interest" },
      addedAt: at.toISOString(),
    });
    tx.objectStore("previews").put(blobs[i % 40], `p${i}/small`);
  }
  await new Promise((done) => {
    tx.oncomplete = done;
  });
  db.close();
}

/** The longest task of the main thread while `act` goes on, in ms; 0 when none took 50. */
async function longest(page: Page, act: () => Promise<unknown>): Promise<number> {
  await page.evaluate(() => {
    const seen: number[] = [];
    const watch = new PerformanceObserver((list) => seen.push(...list.getEntries().map((e) => e.duration)));
    watch.observe({ type: "longtask" });
    Object.assign(window, { seenTasks: seen });
  });
  await act();
  await page.waitForTimeout(600);
  return page.evaluate(() => Math.max(0, ...(window as unknown as { seenTasks: number[] }).seenTasks));
}

const folder = await mkdtemp(join(tmpdir(), "tessip-bench-"));
const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
  stdio: ["ignore", "pipe", "inherit"],
});
try {
  await new Promise((ready) => server.stdout.once("data", ready));
  const context = await chromium.launchPersistentContext(join(folder, "profile"), { ...launchOptions, viewport });
  const page = await context.newPage();
  await page.goto(`http://127.0.0.1:${port}/photos`);
  await page.getByRole("button", { name: "Add photos" }).first().waitFor();
  await page.evaluate(fillStorage, count);
  const heading = page.getByRole("heading", { name: `${count.toLocaleString("en")} photos` });
  await page.goto(`http://127.0.0.1:${port}/photos`);
  await heading.waitFor();
  await page.reload({ waitUntil: "commit" });
  await page.locator("[data-photo] img").first().waitFor();
  const opened = await page.evaluate(() => performance.now());
  await page.waitForTimeout(2500);
  const wall = page.getByRole("listbox", { name: "Photos" });
  const figures: [string, number][] = [
    [
      "scroll",
      await longest(page, async () => {
        await page.mouse.move(600, 500);
        for (let i = 0; i < 40; i += 1) await page.mouse.wheel(0, 900);
      }),
    ],
    ["choose one", await longest(page, () => wall.getByRole("option").first().click())],
    ["choose all", await longest(page, () => page.keyboard.press("Control+a"))],
    ["search", await longest(page, () => page.getByRole("searchbox").fill("lock"))],
    ["search cleared", await longest(page, () => page.getByRole("searchbox").fill(""))],
    [
      "brush",
      await longest(page, async () => {
        const line = (await page.getByTestId("timeline").locator("svg").boundingBox())!;
        await page.mouse.move(line.x + line.width * 0.3, line.y + 20);
        await page.mouse.down();
        await page.mouse.move(line.x + line.width * 0.6, line.y + 20, { steps: 8 });
        await page.mouse.up();
      }),
    ],
  ];
  await context.close();
  process.stdout.write(`${count} photos: first photos on screen ${opened.toFixed(0)} ms after the reload began\n`);
  for (const [name, ms] of figures)
    process.stdout.write(`${name.padEnd(16)} longest task ${ms === 0 ? "under 50" : ms.toFixed(0)} ms\n`);
} finally {
  server.kill();
  await rm(folder, { recursive: true, force: true });
}
