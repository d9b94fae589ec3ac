import { mkdtemp } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { samplePhotos } from "./support/files.ts";
import { loose, number } from "./support/free-tiles.ts";
import {
  box,
  chooseFiles,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  savedFile,
  shelfPhotos,
  startOwnSize,
  tile,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const card = (page: Page, name: string) => page.getByRole("button", { name, exact: true });
/** A picture that says where each of its points lies: red from left to right, green from top to bottom. */
async function placePicture(path: string): Promise<void> {
  const [w, h] = [1200, 1200];
  const data = Buffer.alloc(3 * w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) data.set([(x * 255) / w, (y * 255) / h, 128], 3 * (y * w + x));
  await sharp(data, { raw: { width: w, height: h, channels: 3 } })
    .png()
    .toFile(path);
}

async function pagePng(page: Page) {
  await expectKept(page);
  await page.getByRole("link", { name: /^Send/ }).click();
  const kind = page.getByRole("combobox", { name: "Kind of file" });
  if (!(await kind.isVisible())) await page.getByRole("button", { name: "More options" }).click();
  await kind.selectOption("png");
  const { path } = await savedFile(page);
  const { data, info } = await sharp(path).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  await page.getByRole("link", { name: /^Pages/ }).click();
  return {
    at: (x: number, y: number) => [...data.subarray(3 * (y * info.width + x), 3 * (y * info.width + x) + 3)],
    ...info,
  };
}

test("patterns, scattered prints, one photo through several tiles, and letters", async ({ page }) => {
  const places = join(await mkdtemp(join(tmpdir(), "tessip-places-")), "places.png");
  await placePicture(places);
  await page.goto("/");
  await chooseFiles(page, [...samplePhotos(9), places]);
  await startOwnSize(page, { widthMm: 200, heightMm: 200, ppi: 100 });
  await page.getByRole("button", { name: "Arrange all 10 photos" }).click();
  await expect(tiles(page)).toHaveCount(10);

  await test.step("a pattern is shown before it is taken, and its cells are where a hand is on them", async () => {
    await openDrawer(page, "Other ways");
    await page.getByText("Patterns", { exact: true }).click();
    await card(page, "Hexagons, whole cells").click();
    await expectUndo(page, "Arranged in a pattern");
    await expect(tiles(page)).toHaveCount(10);
    await page.mouse.move(20, 400);
    // The corners of a hexagon's box are bare, or another's.
    const b = await box(tile(page, 1));
    await page.mouse.click(b.x + 3, b.y + 3);
    await expect(tile(page, 1)).toHaveAttribute("aria-selected", "false");
    await page.mouse.click(b.x + b.width / 2, b.y + b.height / 2);
    await expect(tile(page, 1)).toHaveAttribute("aria-selected", "true");
    await page.getByRole("button", { name: "Remove and close the gap" }).click();
    await expect(tiles(page)).toHaveCount(9);
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(10);
    await nobodyChosen(page);
  });

  await test.step("other patterns by key and from the panel, cut at the edges, and kept", async () => {
    await card(page, "Hexagons, whole cells").focus();
    await page.keyboard.press("ArrowRight");
    await page.keyboard.press("Enter");
    const pattern = page.getByRole("combobox", { name: "Pattern" });
    await expect(pattern).toHaveValue("hexagonsOnSides");
    const before = await box(tile(page, 1));
    await page.getByRole("checkbox", { name: "Cut at the edges" }).focus();
    await page.keyboard.press("Space");
    await expect.poll(async () => (await box(tile(page, 1))).height).not.toBeCloseTo(before.height, 0);
    await pattern.selectOption("pennants");
    await expect(page.getByRole("slider", { name: "Line hangs" })).toBeVisible();
    await expectKept(page);
    await page.reload();
    await expect(pattern).toHaveValue("pennants");
    await expect(tiles(page)).toHaveCount(10);
  });

  await test.step("let go, the cells lie freely as they lay; undone, they are a pattern again", async () => {
    await page.getByRole("button", { name: "Let these tiles lie freely" }).click();
    await expectUndo(page, "Let 10 tiles lie freely");
    await expect(loose(page)).toHaveCount(10);
    await undoButton(page).click();
    await expect(tiles(page)).toHaveCount(10);
  });

  await test.step("prints scattered: taken, one of them moved, the others settled around it, captions on their feet", async () => {
    await openDrawer(page, "Other ways");
    await page.getByText("Scattered", { exact: true }).click();
    await card(page, "Scattered, way 2").click();
    await expectUndo(page, "Scattered 10 photos");
    await expect(loose(page)).toHaveCount(10);
    await expect(tiles(page)).toHaveCount(0);
    await loose(page).first().focus();
    await page.keyboard.press("Space");
    const left = page.getByRole("textbox", { name: "From the left", exact: true });
    await expect(left).toBeVisible();
    await left.fill("70");
    await left.press("Enter");
    await expectUndo(page, "Moved a tile");
    const turn = await number(page, "Turn, degrees");
    await page.getByRole("button", { name: "Settle the others" }).click();
    await expectUndo(page, "Scattered 10 photos");
    await expect.poll(() => number(page, "From the left")).toBeCloseTo(70, 1);
    expect(await number(page, "Turn, degrees")).toBe(turn);
    await nobodyChosen(page);
    await page.getByRole("combobox", { name: "Around them" }).selectOption({ label: "White, with captions" });
    await expect.poll(() => loose(page).count()).toBeGreaterThan(10);
    await undoButton(page).click();
    await expect(loose(page)).toHaveCount(10);
    await page.getByText("Straight cuts", { exact: true }).click();
    await page.getByRole("button", { name: /^Way 1: / }).click();
    await expect(tiles(page)).toHaveCount(10);
    await expect(loose(page)).toHaveCount(0);
  });

  await test.step("one photo through all tiles: framed as one, a tile of it lent and given back, and apart again", async () => {
    await page.getByText("Patterns", { exact: true }).click();
    await card(page, "Bricks, whole cells").click();
    await openDrawer(page, "Photos");
    await shelfPhotos(page).last().click();
    await tile(page, 1).focus();
    await page.keyboard.press("Control+a");
    await page.getByRole("button", { name: "One photo through all of these" }).click();
    await expectUndo(page, "Ran one photo through 10 tiles");
    await nobodyChosen(page);
    const png = await pagePng(page);
    // Every point of the picture lies where one picture over all tiles would have it, to a step of its colours.
    const seen: [number, number, number, number][] = [];
    for (let y = 30; y < png.height - 30; y += 23)
      for (let x = 30; x < png.width - 30; x += 23) {
        const [r, g, b] = png.at(x, y) as [number, number, number];
        if (Math.abs(b - 128) < 6) seen.push([x, y, r, g]);
      }
    expect(seen.length).toBeGreaterThan(300);
    const slope = (of: (s: [number, number, number, number]) => [number, number]) => {
      const points = seen.map(of);
      const [mx, my] = [0, 1].map((k) => points.reduce((sum, p) => sum + p[k as 0 | 1], 0) / points.length) as [
        number,
        number,
      ];
      const k =
        points.reduce((s, [a, v]) => s + (a - mx) * (v - my), 0) / points.reduce((s, [a]) => s + (a - mx) ** 2, 0);
      return Math.max(...points.map(([a, v]) => Math.abs(v - my - k * (a - mx))));
    };
    expect(slope(([x, , r]) => [x, r])).toBeLessThan(4);
    expect(slope(([, y, , g]) => [y, g])).toBeLessThan(4);
    await tile(page, 3).click();
    await page.getByRole("button", { name: "Remove the photo only" }).click();
    await page.getByRole("button", { name: "Back to that photo" }).click();
    await expectUndo(page, "Gave a tile back to the photo");
    await tile(page, 2).dblclick();
    await page.getByTestId("reframe").waitFor();
    await page.keyboard.press("+");
    await page.keyboard.press("Enter");
    await expectUndo(page, "Reframed a photo");
    await page.getByRole("button", { name: "Separate photos" }).click();
    await expectUndo(page, "Took a photo apart into its tiles");
    await expect(page.getByText("A part of one photo")).toHaveCount(0);
    await nobodyChosen(page);
  });

  await test.step("a letter in each chosen tile, and a word whose letters are tiles", async () => {
    await openDrawer(page, "Words");
    await page.getByRole("button", { name: "A letter in each tile" }).click();
    await expect(page.getByText("Choose the tiles on the page first, then come back here.")).toBeVisible();
    await page.getByRole("button", { name: "Cancel" }).click();
    await tile(page, 1).click();
    await tile(page, 2).click({ modifiers: ["Control"] });
    await page.getByRole("button", { name: "A letter in each tile" }).click();
    await page.getByRole("textbox", { name: "Letters for the 2 chosen tiles" }).fill("QI");
    await page.getByRole("button", { name: "Put it on the page" }).click();
    await expectUndo(page, "Put 2 letters into tiles");
    await expect(tile(page, 1)).toHaveAccessibleName(/Q$/);
    await nobodyChosen(page);
    await page.getByRole("button", { name: "A word of photos" }).click();
    const text = page.getByRole("textbox", { name: "Word or number" });
    await text.fill("H☃");
    await expect(page.getByRole("alert")).toHaveText(/This font has no ☃/);
    await expect(page.getByRole("button", { name: "Put it on the page" })).toBeDisabled();
    await text.fill("H1");
    await page.getByText("A colour", { exact: true }).click();
    await page.getByRole("button", { name: "Put it on the page" }).click();
    await expectUndo(page, "Made a word of tiles");
    await expect(loose(page)).toHaveCount(2);
    const png = await pagePng(page);
    const [h] = [await box(loose(page).first())];
    const sheet = await box(page.getByTestId("page"));
    const toPx = (x: number, y: number) =>
      png.at(
        Math.round(((x - sheet.x) / sheet.width) * png.width),
        Math.round(((y - sheet.y) / sheet.height) * png.height),
      );
    // Both stems and the bar of the H are filled; above and below its bar it is open.
    expect(toPx(h.x + h.width * 0.22, h.y + h.height * 0.3)).toEqual([34, 48, 43]);
    expect(toPx(h.x + h.width * 0.5, h.y + h.height * 0.5)).toEqual([34, 48, 43]);
    expect(toPx(h.x + h.width * 0.5, h.y + h.height * 0.2)).not.toEqual([34, 48, 43]);
    await undoButton(page).click();
    await openDrawer(page, "Photos");
    await shelfPhotos(page).first().click();
    await page.keyboard.press("Shift+ArrowRight");
    await openDrawer(page, "Words");
    await page.getByRole("button", { name: "A word of photos" }).click();
    await text.fill("H");
    await page.getByText("Several each", { exact: true }).click();
    await page.getByRole("textbox", { name: "Photos in each letter" }).fill("4");
    await page.getByRole("textbox", { name: "Photos in each letter" }).press("Enter");
    await page.getByRole("button", { name: "Put it on the page" }).click();
    await expectUndo(page, "Made a word of tiles");
    await expect(loose(page)).toHaveCount(4);
  });
});
