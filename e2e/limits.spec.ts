import { type ChildProcess, spawn } from "node:child_process";
import { mkdtemp, readdir, readFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { manyPhotos, samplePhotos, troubleFiles } from "./support/files.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  allIn,
  arrangeFirst,
  box,
  chooseFiles,
  expectKept,
  expectUndo,
  longMs,
  openDrawer,
  shelfPhotos,
  startCollage,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const scratch = () => mkdtemp(join(tmpdir(), "tessip-"));

test("120 photos, a hair-thin panorama and a single pixel go on one small print", async ({ page }) => {
  const folder = await scratch();
  const bad = await troubleFiles(folder);
  await page.goto("/");
  const many = join(folder, "many");
  await manyPhotos(many, 118);
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Add a folder" }).click();
  await (await chooser).setFiles(many);
  await expect(page.getByRole("link", { name: /Photos/ })).toContainText("118", { timeout: longMs });
  await allIn(page);
  await page.getByRole("link", { name: /Photos/ }).click();
  await chooseFiles(page, [bad.onePixel, bad.panorama]);
  await page.getByRole("link", { name: "Start a collage" }).click();
  await startCollage(page, "Fernhill Prints", "4 × 6 in", "Portrait");
  await typeInto(page, "Gap", "1/2");
  await shelfPhotos(page).first().click();
  await page.keyboard.press("Control+a");
  await page.getByRole("button", { name: "Arrange 120 photos" }).click();
  await expect(tiles(page)).toHaveCount(120);
  await expect(page.getByText(/The gap is now .* so that all these photos fit/)).toBeVisible();
  const [pageBox, last] = [await box(page.getByTestId("page")), await box(tile(page, 120))];
  expect(last.x + last.width).toBeLessThanOrEqual(pageBox.x + pageBox.width);
  expect(last.y + last.height).toBeLessThanOrEqual(pageBox.y + pageBox.height);
});

test("files let go anywhere come in, and stand upright however they were stored", async ({ page }) => {
  const bad = await troubleFiles(await scratch());
  await page.goto("/photos");
  await expect(page.getByRole("heading", { name: "No photos yet" })).toBeVisible();
  await drop(page, [bad.turnedJpeg, bad.turnedWebp]);
  await allIn(page);
  await expect(page.getByRole("heading", { name: "2 photos" })).toBeVisible();
  for (const img of await page.getByRole("option").locator("img").all()) {
    const seen = await img.evaluate(async (node) => {
      const picture = node as HTMLImageElement;
      await picture.decode();
      const canvas = new OffscreenCanvas(picture.naturalWidth, picture.naturalHeight);
      const ctx = canvas.getContext("2d")!;
      ctx.drawImage(picture, 0, 0);
      return {
        w: canvas.width,
        h: canvas.height,
        top: [...ctx.getImageData(20, 8, 1, 1).data],
        foot: [...ctx.getImageData(20, 52, 1, 1).data],
      };
    });
    expect([seen.w, seen.h]).toEqual([40, 60]);
    expect(seen.top[0]).toBeGreaterThan(150);
    expect(seen.foot[2]).toBeGreaterThan(150);
  }
});

test("a browser that keeps nothing says so, and still makes the file", async ({ page }) => {
  await page.addInitScript(() => {
    // As in a window where storage is off: the one worker that keeps things cannot.
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(url: string | URL, options?: WorkerOptions) {
        if (String(url).includes("keeper")) throw new DOMException("storage is off", "SecurityError");
        super(url, options);
      }
    };
  });
  await page.goto("/");
  await expect(page.getByText("This browser keeps nothing for Tessip")).toBeVisible();
  await chooseFiles(page, samplePhotos(3));
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 3);
  await page.getByRole("link", { name: /Send/ }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
  expect((await readFile(await (await download).path())).length).toBeGreaterThan(100_000);
});

test.describe("kept for later", () => {
  test.use({ serviceWorkers: "allow" });
  test("once loaded, everything but fetching more works on with the server switched off", async ({ page }) => {
    const port = 4198;
    const server = await startServer(port);
    try {
      await page.goto(`http://127.0.0.1:${port}/`);
      await chooseFiles(page, samplePhotos(5));
      await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    } finally {
      server.kill("SIGKILL");
    }
    await startCollage(page, "Lindal Sheet Works", "20 × 30 cm", "Landscape");
    await arrangeFirst(page, 5);
    await expectKept(page);
    await page.reload();
    await expect(tiles(page)).toHaveCount(5);
    await page.getByRole("link", { name: /Photos/ }).click();
    await drop(page, samplePhotos(1, 7));
    await expect(page.getByRole("heading", { name: "6 photos" })).toBeVisible();
    await page.getByRole("link", { name: /Send/ }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const path = join(await scratch(), "offline.jpg");
    await (await download).saveAs(path);
    // 300 × 200 mm and 5 mm of bleed at 254 ppi: ten pixels to the millimetre.
    expect(await sharp(path).metadata()).toMatchObject({ width: 3100, height: 2100, density: 254 });
  });
});

test("all of it by keyboard", async ({ page }) => {
  await withPhotos(page, 6);
  await startCollage(page, "Quayside Collage Press", "10 × 10 in");
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await shelfPhotos(page).first().focus();
  await press("Space", "ArrowRight", "Space", "ArrowRight", "ArrowRight", "Space");
  await expect(page.getByText("3 chosen")).toBeVisible();
  await page.getByRole("button", { name: "Arrange 3 photos" }).press("Enter");
  await expect(tiles(page)).toHaveCount(3);
  const names = () =>
    tiles(page).evaluateAll((list) => list.map((t) => t.getAttribute("aria-label")?.replace(/^.*: /, "")));
  const [a, b, c] = await names();
  await tile(page, 1).focus();
  await press("Space");
  const seam = page.getByRole("separator").first();
  await seam.focus();
  await press((await seam.getAttribute("aria-orientation")) === "vertical" ? "ArrowRight" : "ArrowDown");
  await expectUndo(page, "Moved a line between photos");
  await tile(page, 2).focus();
  await press("Control+Space");
  await page.getByRole("button", { name: "Swap their photos" }).press("Enter");
  expect(await names()).toEqual([b, a, c]);
  await press("Escape");
  await tile(page, 3).focus();
  await press("Enter", "+", "+", "Shift+ArrowUp", "Enter");
  await expectUndo(page, "Reframed a photo");
  await tile(page, 3).focus();
  await press("Delete");
  await expectUndo(page, "Emptied a tile");
  await shelfPhotos(page).first().focus();
  await press("Escape", "ArrowRight", "Space");
  await page.getByRole("button", { name: "Put the chosen photo here" }).press("Enter");
  await expectUndo(page, "Filled a tile");
  for (let i = 0; i < 3; i += 1) await press("Control+z");
  await expectUndo(page, "Reframed a photo");
  await press("?");
  await expect(page.getByRole("dialog")).toContainText("Reframe its photo, or write its words");
  await press("Escape");
  await tile(page, 1).focus();
  await press("Shift+F10");
  const biggest = page.getByRole("menuitem", { name: "Make it the biggest" });
  await expect(biggest).toBeVisible();
  await press("m");
  await expect(biggest).toHaveAttribute("data-highlighted");
  await press("Enter");
  await expectUndo(page, "Made a photo the biggest");
  await press("Escape", "Escape");
  await openDrawer(page, "Templates");
  const cards = page.locator("[data-card]");
  await cards.first().focus();
  await press("ArrowRight");
  await expect(cards.nth(1)).toBeFocused();
  await press("Enter");
  await expectUndo(page, "Laid out by a template");
  await press("Escape");
  await expect(page.getByRole("heading", { name: "This page" })).toBeVisible();
  await page.getByRole("button", { name: "Another page" }).press("Enter");
  await expectUndo(page, "Added a page");
  await press("PageUp", "Control+z");
  await expectUndo(page, "Laid out by a template");
  await expect(undoButton(page)).toBeEnabled();
});

/** Lets files go over the middle of the window, as a drag from a folder would. */
async function drop(page: Page, paths: readonly string[]): Promise<void> {
  const files = await Promise.all(
    paths.map(async (p) => ({ name: p.split("/").at(-1)!, data: (await readFile(p)).toString("base64") })),
  );
  const transfer = await page.evaluateHandle((list) => {
    const data = new DataTransfer();
    for (const f of list) data.items.add(new File([Uint8Array.from(atob(f.data), (ch) => ch.charCodeAt(0))], f.name));
    return data;
  }, files);
  await page.dispatchEvent("body", "dragover", { dataTransfer: transfer });
  await expect(page.getByText("Drop them to bring them in")).toBeVisible();
  await page.dispatchEvent("body", "drop", { dataTransfer: transfer });
}

async function startServer(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, ["dist/server/main.js", "--port", String(port)], {
    stdio: ["ignore", "pipe", "inherit"],
  });
  await new Promise<void>((ready, failed) => {
    server.stdout.once("data", () => ready());
    server.once("exit", (code) => failed(new Error(`server ended with ${code}`)));
  });
  return server;
}

test("the first script stays under 300 KB, as it comes over a slow line", async () => {
  const folder = "dist/web/assets";
  const [first, ...more] = (await readdir(folder)).filter((f) => /^first-.*\.js$/.test(f));
  expect(more).toEqual([]);
  expect(gzipSync(await readFile(join(folder, first!)), { level: 6 }).length).toBeLessThan(300_000);
});
