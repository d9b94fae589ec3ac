import { spawn } from "node:child_process";
import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Locator, type Page } from "@playwright/test";
import { zipSync } from "fflate";
import { newPaper } from "#core/artwork";
import { type FreeTile, newFreeTile, newProject, type Page as WorkPage } from "#core/document";
import { allSides } from "#core/geometry";
import { projectFileOf } from "#core/project-file";
import { firstWordStyles } from "#core/words";
import { launchOptions, viewport } from "../e2e/support/browser.ts";
import { shelfPhotos, startCollage, takeSample, tile, tiles } from "../e2e/support/tessip.ts";
import { type FrameWork, frameWork } from "./frame-work.ts";
import { allLookedAt } from "./looked-at.ts";

/**
 * Real drags on a page of 60 photos in headless Chromium: a seam, a photo being reframed, and one being slipped in; on a page of 300 pieces, and on one of 60 that
 * are dressed; and typing in a story of 2,000 words. The
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

const quantile = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor((1 - share) * sorted.length))] ?? 0;

const pieces = 300;

/** A page of 300 pieces that lie freely, some of them turned and oval: chosen one after the other, and one of them dragged. */
async function manyPieces(page: Page): Promise<[string, FrameWork][]> {
  const free = Array.from({ length: pieces }, (_, i): FreeTile => {
    const centre = { x: 12 + 14 * (i % 20), y: 20 + 18 * Math.floor(i / 20) };
    const frame = { centre, width: 12, height: 10, turn: (i % 5) * 9 };
    const colour = ["#b2472a", "#2a6fb2", "#c79a1e"][i % 3]!;
    const tile = newFreeTile(frame, { kind: "colour", colour }, () => `t${i}`);
    return i % 4 === 0 ? { ...tile, outline: { kind: "ellipse" } } : tile;
  });
  await openMade(page, "Many pieces", free);
  const all = page.locator("[data-tile]");
  const places = await Promise.all(Array.from({ length: 60 }, (_, i) => middleOf(all.nth((i * 37) % pieces))));
  const choosing = await frameWork(page, async () => {
    // Only the mouse: what Playwright looks up in the page before a click of its own would count as well. A hand holds the button down for a moment;
    // pressed and let go at once, both would count as one task.
    for (const { x, y } of places) await page.mouse.click(x, y, { delay: 40 });
  });
  const held = await middleOf(all.nth(150));
  return [
    ["choose 1 of 300", choosing],
    ["drag 1 of 300", await frameWork(page, () => shaken(page, held, { dx: 40, dy: 20 }))],
  ];
}

const dressed = 60;

/** A page of 60 pieces on a paper, all with a shadow and every third with soft edges, one of them dragged; and the same page bare. */
async function dressedPieces(page: Page): Promise<[string, FrameWork][]> {
  const figures: [string, FrameWork][] = [];
  for (const [name, dress] of [
    ["bare", false],
    ["dressed", true],
  ] as const) {
    const free = Array.from({ length: dressed }, (_, i): FreeTile => {
      const centre = { x: 20 + 28 * (i % 10), y: 30 + 46 * Math.floor(i / 10) };
      const colour = ["#b2472a", "#2a6fb2", "#c79a1e"][i % 3]!;
      const frame = { centre, width: 34, height: 26, turn: (i % 5) * 7 };
      const tile = newFreeTile(frame, { kind: "colour", colour }, () => `${name}${i}`);
      if (!dress) return tile;
      const shadow = { falls: "under", strength: 0.4, colour: "#101820" } as const;
      return i % 3 === 0 ? { ...tile, shadow, soft: allSides(4) } : { ...tile, shadow };
    });
    const paper = dress ? { paper: newPaper("dots", []) } : {};
    await openMade(page, `Sixty ${name}`, free, paper);
    const held = await middleOf(page.locator(`[data-tile=${name}33]`));
    figures.push([`drag 1 of 60 ${name}`, await frameWork(page, () => shaken(page, held, { dx: 60, dy: 30 }))]);
  }
  return figures;
}

const sentence = "The lock keeper waved us through at five in the morning before the others were awake. ";

/** Typing in the middle of a story of 2,000 words, in two columns of lines that are set by the whole paragraph. */
async function longStory(page: Page): Promise<[string, FrameWork][]> {
  const paragraphs = Array.from({ length: 16 }, (_, i) => `${i}. ${sentence.repeat(8).trim()}`);
  const style = { ...firstWordStyles.journal, sizePt: 8, columns: 2, whole: true, hyphens: true } as const;
  const words = { kind: "words", text: paragraphs.join("\n"), style, role: "journal", from: null, card: null } as const;
  const frame = { centre: { x: 150, y: 150 }, width: 260, height: 270, turn: 0 };
  await openMade(page, "A story", [newFreeTile(frame, words, () => "story")]);
  await page.locator("[data-tile=story]").dblclick();
  await page.keyboard.press("Control+Home");
  for (let i = 0; i < 40; i += 1) await page.keyboard.press("ArrowDown");
  await page.waitForTimeout(1500);
  return [["type in 2,000 words", await frameWork(page, () => page.keyboard.type(sentence.repeat(2), { delay: 30 }))]];
}

/** A work of one page with these tiles, brought in from a file and opened. */
async function openMade(
  page: Page,
  name: string,
  free: readonly FreeTile[],
  look: Partial<WorkPage> = {},
): Promise<void> {
  const format = { name: "Many", widthMm: 300, heightMm: 300, bleedMm: 3, safeMm: 5, ppi: 300, leastPpi: 150 };
  const project = newProject(
    { name, unit: "mm", lab: null, format },
    { newId: () => name, at: "2026-01-01T00:00:00.000Z" },
  );
  const whole = { ...project, pages: [{ ...project.pages[0]!, ...look, pieces: free }] };
  const json = new TextEncoder().encode(JSON.stringify(projectFileOf(whole, [], [])));
  const path = join(await mkdtemp(join(tmpdir(), "tessip-bench-")), "made.zip");
  await writeFile(path, zipSync({ "project.json": json }));
  await page.goto("/");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Open a project file" }).click();
  await (await chooser).setFiles(path);
  await page.getByRole("link", { name: `Open ${name}` }).click();
  await page
    .locator("[data-tile]")
    .nth(free.length - 1)
    .waitFor();
  await page.waitForTimeout(3000);
}

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
  await startCollage(page, "Hollow Oak Posters", "18 × 24 in", "Landscape");
  await page.getByRole("button", { name: "Arrange the first 60 of them" }).click();
  await tiles(page).nth(59).waitFor();
  await allLookedAt(page);
  await page.waitForTimeout(2000);
  const figures: [string, FrameWork][] = [];
  const seam = await middleOf(page.getByRole("separator", { name: "Horizontal line 1", exact: true }));
  figures.push(["seam", await frameWork(page, () => shaken(page, seam, { dx: 0, dy: 24 }))]);
  const photo = await middleOf(shelfPhotos(page).nth(5));
  figures.push([
    "slip in",
    await frameWork(page, async () => {
      await page.mouse.move(photo.x, photo.y);
      await page.mouse.down();
      await page.mouse.move(photo.x, photo.y - 40, { steps: 4 });
      for (let i = 0; i < 200; i += 1) {
        // Tiles make room, so each is looked up anew; by a plain query, which costs the page next to nothing.
        const at = await page.evaluate((n) => {
          const b = document.querySelectorAll("[data-tile]")[n]!.getBoundingClientRect();
          return { x: b.x + 3, y: b.y + b.height / 2 };
        }, i % 40);
        await page.mouse.move(at.x, at.y);
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
  await page.keyboard.press("Escape");
  for (const [closer, key] of [
    ["as wide as the window", "1"],
    ["each printed pixel", "3"],
  ] as const) {
    await page.keyboard.press(key);
    await page.waitForTimeout(1500);
    const box = (await page.getByRole("region", { name: "The page on its mat" }).boundingBox())!;
    // Of one this close only a part may be in sight.
    const found = await page.getByRole("separator").evaluateAll((all, { x, y, width, height }) => {
      for (const e of all) {
        const r = e.getBoundingClientRect();
        const [left, right] = [Math.max(r.left, x + 60), Math.min(r.right, x + width - 60)];
        const [top, foot] = [Math.max(r.top, y + 60), Math.min(r.bottom, y + height - 80)];
        const at = { x: (left + right) / 2, y: (top + foot) / 2 };
        if (left < right && top < foot && document.elementFromPoint(at.x, at.y) === e)
          return { at, across: e.getAttribute("aria-orientation") === "vertical" };
      }
      return undefined;
    }, box);
    if (!found) throw new Error(`no seam in sight, ${closer}`);
    const { at, across } = found;
    figures.push([
      `seam, ${closer}`,
      await frameWork(page, () => shaken(page, at, across ? { dx: 24, dy: 0 } : { dx: 0, dy: 24 })),
    ]);
  }
  figures.push(...(await manyPieces(page)), ...(await dressedPieces(page)), ...(await longStory(page)));
  for (const [name, { tasksMs }] of figures) {
    const [p50, p95] = [quantile(tasksMs, 0.5), quantile(tasksMs, 0.95)];
    const held = p95 < wantedMs ? "holds" : "too much";
    const line = [
      name.padEnd(16),
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
