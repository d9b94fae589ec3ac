import { mkdir, readFile, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { PDFDocument } from "pdf-lib";
import { openSection, slider } from "../e2e/support/panel.ts";
import {
  arrangeFirst,
  chooseFiles,
  expectKept,
  nobodyChosen,
  openDrawer,
  startBook,
  tile,
  typeInto,
  undoButton,
} from "../e2e/support/tessip.ts";
import { makeFiles } from "./camera-files.ts";
import { inBrowser } from "./in-browser.ts";
import { allLookedAt } from "./looked-at.ts";
import { withMemory } from "./memory.ts";

/**
 * A spread of 24 × 12 inches at 300 ppi with 30 photos of 12 megapixels, made through the real interface, beside a bare
 * decode, draw and encode of the same pixels in the same browser. Then the same spread dressed: a paper behind it, a
 * shadow under each photo, soft edges on every third, and every third in black and white. At last a PDF of 60 pages
 * beside pdf-lib's bare embedding of the same JPEGs, written to disk as ours is. The ratios are the figures, each of
 * the middle one of five runs.
 */

const photos = 30;
const bookPhotos = 120;
const bookPages = 60;
const long = { timeout: 900_000 };

/** Runs in the page: every photo decoded in full, drawn once, and all of it encoded by the browser. */
async function bare(): Promise<number> {
  const root = await navigator.storage.getDirectory();
  const folder = await root.getDirectoryHandle("originals");
  const originals: Blob[] = [];
  for await (const handle of (folder as unknown as { values(): AsyncIterable<FileSystemFileHandle> }).values())
    originals.push(await handle.getFile());
  const from = performance.now();
  const canvas = new OffscreenCanvas(7271, 3671);
  const ctx = canvas.getContext("2d", { alpha: false })!;
  ctx.imageSmoothingQuality = "high";
  for (const [i, original] of originals.slice(0, 30).entries()) {
    const bitmap = await createImageBitmap(original);
    ctx.drawImage(bitmap, (i % 6) * 1212, Math.floor(i / 6) * 734, 1200, 720);
    bitmap.close();
  }
  await canvas.convertToBlob({ type: "image/jpeg", quality: 0.95 });
  return performance.now() - from;
}

/** Each JPEG embedded by pdf-lib as it is, two a page, and the whole written to disk. */
async function bareEmbedding(files: readonly string[], path: string): Promise<number> {
  const from = performance.now();
  const plain = await PDFDocument.create();
  const images = [];
  for (const file of files) images.push(await plain.embedJpg(await readFile(file)));
  for (let i = 0; i < bookPages; i += 1) {
    const sheet = plain.addPage([600, 600]);
    for (const image of images.slice(2 * i, 2 * i + 2)) sheet.drawImage(image, { x: 0, y: 0, width: 200, height: 150 });
  }
  await writeFile(path, await plain.save());
  return performance.now() - from;
}

/** One run alone may be off by a sixth either way. */
async function middleOf5(run: () => Promise<number>): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < 5; i += 1) times.push(await run());
  return times.toSorted((a, b) => a - b)[2]!;
}

/**
 * The file that Send offers, saved again and again. Memory is looked at in a run of its own, since looking takes a fifth
 * of a short one's time; it is also the one that warms up, as the first of the bare way does.
 */
async function measured(page: Page, profile: string) {
  let path = "";
  const save = async () => {
    const saving = page.waitForEvent("download", long);
    await page.getByRole("button", { name: /^Save (the \w+|it once more)/ }).click();
    path = await (await saving).path();
  };
  const { mostMb } = await withMemory(profile, save);
  const ms = await middleOf5(async () => {
    const began = Date.now();
    await save();
    return Date.now() - began;
  });
  return { path, mostMb, ms };
}

async function dress(page: Page): Promise<void> {
  await nobodyChosen(page);
  await typeInto(page, "Gap", "8");
  await typeInto(page, "Margin", "14");
  await openDrawer(page, "Papers");
  await page.getByRole("button", { name: "Sprigs", exact: true }).click();
  await openSection(page, /^Shadow/);
  await page.getByText("Under it", { exact: true }).click();
  const thirds = async (first: number) => {
    await nobodyChosen(page);
    for (let n = first; n <= photos; n += 3) await tile(page, n).click(n === first ? {} : { modifiers: ["Control"] });
  };
  await thirds(1);
  await slider(page, "Soft edge").fill("4");
  await thirds(2);
  await openSection(page, /^Tone/);
  await page.getByRole("radiogroup", { name: "Tone" }).getByText("Grey", { exact: true }).click();
  await nobodyChosen(page);
  await expectKept(page);
}

await inBrowser(4191, async ({ url, open, folder }) => {
  await mkdir(join(folder, "files"));
  const files = await makeFiles(bookPhotos, join(folder, "files"), bookPhotos);
  const { page } = await open("profile");
  await page.goto(url);
  await chooseFiles(page, files.slice(0, photos));
  await page.getByText("A size of my own").click();
  for (const [label, text] of [
    ["Width", "24 in"],
    ["Height", "12 in"],
    ["Bleed", "3 mm"],
  ] as const) {
    await page.getByRole("textbox", { name: label }).fill(text);
    await page.getByRole("textbox", { name: label }).press("Enter");
  }
  await page.getByRole("button", { name: "Start this collage" }).click();
  await arrangeFirst(page, photos);
  await expectKept(page);
  await allLookedAt(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  const profile = join(folder, "profile");
  const size = await page.getByText(/^\d,\d{3} × \d,\d{3}$/).textContent();
  const made = await measured(page, profile);
  const beside = await middleOf5(() => page.evaluate(bare));
  const out = (text: string) => process.stdout.write(`${text}\n`);
  out(
    `${size} pixels, ${photos} photos: ${(made.ms / 1000).toFixed(1)} s, bare decode, draw and encode ${(beside / 1000).toFixed(1)} s: ${(made.ms / beside).toFixed(2)} times; at most ${made.mostMb.toFixed(0)} MB in all processes`,
  );

  await page.getByRole("link", { name: /^Pages/ }).click();
  await dress(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  const dressed = await measured(page, profile);
  out(
    `the same dressed: ${(dressed.ms / 1000).toFixed(1)} s, ${(dressed.ms / beside).toFixed(2)} times the bare decode, draw and encode; at most ${dressed.mostMb.toFixed(0)} MB`,
  );
  await page.getByRole("link", { name: /^Pages/ }).click();
  while (/^Undo: (?!Arranged)/.test((await undoButton(page).getAttribute("aria-label")) ?? ""))
    await undoButton(page).click();
  for (let n = 1; n <= photos; n += 1) {
    await tile(page, n).dblclick();
    await page.getByRole("slider", { name: "Turn" }).fill("3");
    await page.getByTestId("reframe").press("Enter");
  }
  await expectKept(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  const turned = await measured(page, profile);
  out(
    `the same with every photo turned by 3°: ${(turned.ms / 1000).toFixed(1)} s, ${(turned.ms / made.ms).toFixed(2)} times as long; at most ${turned.mostMb.toFixed(0)} MB`,
  );

  await page.goto(`${url}/photos`);
  await chooseFiles(page, files.slice(photos));
  await page.goto(url);
  await startBook(page, "Marrow & Lisle", "210 × 210 mm");
  await page.getByRole("link", { name: "Overview" }).click();
  await page.getByRole("button", { name: "Add pages" }).waitFor();
  await page.getByRole("button", { name: "Fill the book with photos" }).click();
  await page.getByLabel("Pages in the book").selectOption(`${bookPages}`);
  await page.getByText("Take them by their files’ dates").click();
  await page.getByRole("button", { name: "Fill it" }).click();
  await page.getByText(/photos are on 60 pages now/).waitFor(long);
  await allLookedAt(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  await page.getByRole("button", { name: "More options" }).click();
  await page.getByRole("combobox", { name: "Kind of file" }).selectOption("pdf");
  const pdf = await measured(page, profile);
  const bytes = await readFile(pdf.path);
  // Near twins are not placed, so fewer go in than were brought along.
  const inside = bytes.toString("latin1").split("/DCTDecode").length - 1;
  const bareMs = await middleOf5(() => bareEmbedding(files.slice(0, inside), join(folder, "bare.pdf")));
  out(
    `PDF of 60 pages, ${inside} photos, ${(bytes.length / 1e6).toFixed(0)} MB: ${(pdf.ms / 1000).toFixed(1)} s, pdf-lib's bare embedding, on disk ${(bareMs / 1000).toFixed(1)} s: ${(pdf.ms / bareMs).toFixed(2)} times; at most ${pdf.mostMb.toFixed(0)} MB in all processes`,
  );
});
