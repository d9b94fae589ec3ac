import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  differing,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  printOfPage,
  shelfPhotos,
  startCollage,
  tile,
  undoButton,
} from "./support/tessip.ts";

const tones = (page: Page) => page.getByRole("radiogroup", { name: "Tone" });
const toneCalled = (page: Page, name: string) => tones(page).getByRole("radio", { name, exact: true });
const chooseTone = (page: Page, name: string) => tones(page).getByText(name, { exact: true }).click();
const slider = (page: Page, name: string) => page.getByRole("slider", { name, exact: true });

/** Mean of red, green and blue in the middle of a tile, as it is painted. */
async function middleOf(page: Page, n: number): Promise<readonly number[]> {
  const [at, sheet] = await Promise.all([tile(page, n).boundingBox(), page.getByTestId("page").boundingBox()]);
  const painted = sharp(await paintedPage(page));
  const { width = 0 } = await painted.metadata();
  const k = width / sheet!.width;
  const [x, y] = [at!.x - sheet!.x, at!.y - sheet!.y];
  const [w, h] = [at!.width, at!.height];
  const part = { left: x + w / 4, top: y + h / 4, width: w / 2, height: h / 2 };
  const inPixels = Object.fromEntries(Object.entries(part).map(([key, v]) => [key, Math.round(v * k)])) as typeof part;
  const { channels } = await sharp(await painted.extract(inPixels).removeAlpha().png().toBuffer()).stats();
  return channels.map((c) => c.mean);
}

/** How colourful a mean colour is. */
const colourOf = (rgb: readonly number[]): number => Math.max(...rgb) - Math.min(...rgb);

test("tone: photos in grey, in a tint, finer by sliders, matched to others, kept by name; in files as on screen", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await tile(page, 1).click();
  await page.getByRole("button", { name: "Tone", exact: true }).click();
  const taken = await middleOf(page, 1);

  await test.step("grey by a click, another by arrow keys; undone, and done again", async () => {
    await expect(toneCalled(page, "As taken")).toBeChecked();
    await chooseTone(page, "Grey");
    await expectUndo(page, "Changed the tone of a photo");
    await expect.poll(async () => colourOf(await middleOf(page, 1))).toBeLessThan(2);
    await undoButton(page).click();
    await expect.poll(async () => middleOf(page, 1)).toEqual(taken);
    await expect(toneCalled(page, "As taken")).toBeChecked();
    await toneCalled(page, "As taken").focus();
    await page.keyboard.press("ArrowRight");
    await expect(toneCalled(page, "Grey")).toBeChecked();
    await expect(toneCalled(page, "Grey")).toBeFocused();
    await expect.poll(async () => colourOf(await middleOf(page, 1))).toBeLessThan(2);
  });

  await test.step("a tint and sliders on several at once, each a step of its own; a tone is kept by name for others", async () => {
    await tile(page, 2).click();
    await tile(page, 3).click({ modifiers: ["Shift"] });
    const before = await middleOf(page, 3);
    await chooseTone(page, "Sepia");
    await expectUndo(page, "Changed the tone of 2 photos");
    await expect(toneCalled(page, "Sepia")).toBeChecked();
    await slider(page, "Exposure").fill("0.24");
    await expect(page.getByText("+0.2", { exact: true })).toBeVisible();
    await expect.poll(async () => (await middleOf(page, 3))[0]! > (await middleOf(page, 3))[2]! + 8).toBe(true);
    await page.getByRole("button", { name: "Keep this tone …" }).click();
    await page.getByRole("textbox", { name: "Name", exact: true }).fill("Grandmother’s album");
    await page.keyboard.press("Enter");
    await expectUndo(page, "Kept a tone");
    await expect(toneCalled(page, "Grandmother’s album")).toBeChecked();
    await undoButton(page).click();
    await expect(toneCalled(page, "Grandmother’s album")).toHaveCount(0);
    await undoButton(page).click();
    await expect(page.getByText("+0.2", { exact: true })).toHaveCount(0);
    await expect(toneCalled(page, "Sepia")).toBeChecked();
    await undoButton(page).click();
    await expect.poll(async () => middleOf(page, 3)).toEqual(before);
    await page.keyboard.press("Control+Shift+z");
    await page.keyboard.press("Control+Shift+z");
    await page.keyboard.press("Control+Shift+z");
    await expect(toneCalled(page, "Grandmother’s album")).toBeChecked();
    await nobodyChosen(page);
    await tile(page, 3).click();
    await chooseTone(page, "As taken");
    await expect.poll(async () => middleOf(page, 3)).toEqual(before);
    await nobodyChosen(page);
    await tile(page, 1).click();
    await expect(toneCalled(page, "Grandmother’s album")).toBeVisible();
  });

  await test.step("a photo is brought near the others of the page", async () => {
    await nobodyChosen(page);
    await tile(page, 4).click();
    const before = await middleOf(page, 4);
    await page.getByRole("button", { name: "Match the page" }).click();
    await expectUndo(page, "Changed the tone of a photo");
    await expect.poll(async () => middleOf(page, 4)).not.toEqual(before);
    await page.getByRole("button", { name: "Match the photos beside it" }).click();
    await chooseTone(page, "Vivid");
    await expect(toneCalled(page, "Vivid")).toBeChecked();
  });

  await test.step("a tile's look is taken in hand, and each tile that is clicked gets it", async () => {
    await nobodyChosen(page);
    await tile(page, 1).click();
    await page.getByRole("button", { name: "Take its look for other tiles" }).click();
    const inHand = page.getByRole("status").filter({ hasText: "Click each tile that gets this look." });
    await expect(inHand).toBeVisible();
    await tile(page, 3).click();
    await expectUndo(page, "Gave a tile the look of another");
    await expect.poll(async () => colourOf(await middleOf(page, 3))).toBeLessThan(2);
    await expect(inHand).toBeVisible();
    await undoButton(page).click();
    await expect.poll(async () => colourOf(await middleOf(page, 3))).toBeGreaterThan(5);
    await tile(page, 3).focus();
    await page.keyboard.press("Escape");
    await expect(inHand).toHaveCount(0);
    await tile(page, 3).click();
    await expect.poll(async () => colourOf(await middleOf(page, 3))).toBeGreaterThan(5);
    await tile(page, 4).click();
  });

  await test.step("another framing leaves the tone alone", async () => {
    await page.getByRole("button", { name: "Reframe" }).click();
    await page.keyboard.press("+");
    await page.keyboard.press("Enter");
    await expectUndo(page, "Reframed a photo");
    await expect(toneCalled(page, "Vivid")).toBeChecked();
  });

  await test.step("a photo behind the page has a tone too, fades into any colour, and is moved and zoomed", async () => {
    await nobodyChosen(page);
    await openDrawer(page, "Photos");
    await shelfPhotos(page).nth(4).click();
    await page.getByRole("button", { name: "Lay this photo behind the page" }).click();
    await expectUndo(page, "Changed the background");
    const before = await paintedPage(page);
    await chooseTone(page, "Pale");
    await expectUndo(page, "Changed the tone of a photo");
    await expect.poll(async () => (await paintedPage(page)).equals(before)).toBe(false);
    await slider(page, "Fade").fill("0.4");
    await expectUndo(page, "Changed the background");
    const fades: (() => Promise<void>)[] = [
      () => page.getByRole("button", { name: "Fades into: Black" }).click(),
      () => slider(page, "Size").fill("2"),
      () => slider(page, "Left to right").fill("0.1"),
    ];
    for (const act of fades) {
      const was = await printOfPage(page);
      await act();
      await expect.poll(() => printOfPage(page)).not.toBe(was);
    }
  });

  await test.step("all of it is kept over a reload, and files show what the screen shows", async () => {
    await expectKept(page);
    const before = await paintedPage(page);
    await page.reload();
    await expect.poll(async () => differing(await paintedPage(page), before)).toBeLessThan(0.002);
    const screen = await paintedPage(page);
    await expectFilesAsOnScreen(page, screen);
  });
});
