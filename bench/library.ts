import { spawn } from "node:child_process";
import { mkdtemp, rm } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { chromium } from "@playwright/test";
import { launchOptions, viewport } from "../e2e/support/browser.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";

/**
 * A library of 5,000 photos: how long it takes to open after the first time, and the longest task that scrolling,
 * choosing, searching and brushing give the main thread. Photos are written into storage as they would
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
      offsetMinutes: null,
      foundTime: null,
      camera: "",
      caption: i % 7 ? "" : "By the lock",
      stars: 0,
      hidden: false,
      removed: false,
      section: "photos",
      pile: "auto",
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
  // The first opening also fills the browser's caches; those after it are what a person sees day by day.
  const opened: number[] = [];
  for (let k = 0; k < 4; k += 1) {
    await page.reload({ waitUntil: "commit" });
    await page.locator("[data-photo] img").first().waitFor();
    opened.push(await page.evaluate(() => performance.now()));
    await page.waitForTimeout(1500);
  }
  await page.waitForTimeout(2500);
  const wall = page.getByRole("listbox", { name: "Photos" });
  const figures: [string, FrameWork][] = [
    [
      "scroll",
      await frameWork(page, async () => {
        await page.mouse.move(600, 500);
        for (let i = 0; i < 40; i += 1) await page.mouse.wheel(0, 900);
      }),
    ],
    ["choose one", await frameWork(page, () => wall.getByRole("option").first().click())],
    ["choose all", await frameWork(page, () => page.keyboard.press("Control+a"))],
    ["search", await frameWork(page, () => page.getByRole("searchbox").fill("lock"))],
    ["search cleared", await frameWork(page, () => page.getByRole("searchbox").fill(""))],
    [
      "brush",
      await frameWork(page, async () => {
        const line = (await page.getByTestId("timeline").locator("svg").boundingBox())!;
        await page.mouse.move(line.x + line.width * 0.3, line.y + 20);
        await page.mouse.down();
        await page.mouse.move(line.x + line.width * 0.6, line.y + 20, { steps: 8 });
        await page.mouse.up();
      }),
    ],
  ];
  await context.close();
  const [first, ...later] = opened.map((ms) => ms.toFixed(0));
  process.stdout.write(
    `${count} photos: first photos on screen ${later.join(", ")} ms after a reload began; ${first} the first time\n`,
  );
  for (const [name, work] of figures)
    process.stdout.write(
      `${name.padEnd(16)} longest task ${work.longestMs.toFixed(0)} ms of processor time (${work.longestWallMs.toFixed(0)} by the clock); the next ${work.tasksMs
        .slice(1, 5)
        .map((ms) => ms.toFixed(0))
        .join(", ")}\n`,
    );
} finally {
  server.kill();
  await rm(folder, { recursive: true, force: true });
}
