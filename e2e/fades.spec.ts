import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { openSection, repaints } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  differing,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  paintedPage,
  printOfPage,
  startOwnSize,
  tile,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** The colour of the page's own pixels at a share of a tile's width and height. */
async function colourIn(page: Page, n: number, x: number, y: number): Promise<readonly number[]> {
  const [at, sheet] = await Promise.all([box(tile(page, n)), box(page.getByTestId("page"))]);
  const painted = sharp(await paintedPage(page)).removeAlpha();
  const k = (await painted.metadata()).width! / sheet.width;
  const left = Math.round((at.x + x * at.width - sheet.x) * k);
  const top = Math.round((at.y + y * at.height - sheet.y) * k);
  const { channels } = await sharp(await painted.extract({ left, top, width: 1, height: 1 }).png().toBuffer()).stats();
  return channels.map((c) => c.mean);
}
const near = (a: readonly number[], b: readonly number[]): number => Math.max(...a.map((v, i) => Math.abs(v - b[i]!)));
const paper = [255, 255, 255];

/** Brushes across a tile from one share of it to another. */
async function brushAcross(page: Page, n: number, from: readonly [number, number], to: readonly [number, number]) {
  const at = await box(tile(page, n));
  const place = ([x, y]: readonly [number, number]) => [at.x + x * at.width, at.y + y * at.height] as const;
  await page.mouse.move(...place(from));
  await page.mouse.down();
  await page.mouse.move(...place(to), { steps: 12 });
  await page.mouse.up();
}

test("parts of photos are brushed away and back, by hand, by key and by themselves; a border around several; a white border around the page; in files as on screen", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });
  await arrangeFirst(page, 4);
  await typeInto(page, "Gap", "6");
  await typeInto(page, "Margin", "16");

  await test.step("what the brush went over is gone, its rim is soft, and each way of it is one step", async () => {
    await tile(page, 1).click();
    await openSection(page, /^Shadow, soft/);
    await page.getByRole("button", { name: "Fade parts with a brush" }).click();
    await expect(page.getByTestId("brush")).toBeFocused();
    const before = await colourIn(page, 1, 0.5, 0.5);
    const bare = await printOfPage(page);
    await repaints(page, () => brushAcross(page, 1, [0.2, 0.5], [0.8, 0.5]));
    await expectUndo(page, "Faded a photo");
    expect(near(await colourIn(page, 1, 0.5, 0.5), paper)).toBeLessThan(3);
    const once = await paintedPage(page);
    await page.getByText("Bring back", { exact: true }).click();
    await repaints(page, () => brushAcross(page, 1, [0.5, 0.5], [0.52, 0.5]));
    expect(near(await colourIn(page, 1, 0.5, 0.5), before)).toBeLessThan(6);
    expect(near(await colourIn(page, 1, 0.22, 0.5), paper)).toBeLessThan(3);
    await undoButton(page).click();
    await expect.poll(async () => (await paintedPage(page)).equals(once)).toBe(true);
    await undoButton(page).click();
    await expect.poll(() => printOfPage(page)).toBe(bare);
  });

  await test.step("by keys: moved, larger, along a line, brought back, put down", async () => {
    const layer = page.getByTestId("brush");
    await layer.focus();
    await page.keyboard.press("b");
    await expect(page.getByText("Hide", { exact: true })).toBeVisible();
    await page.keyboard.press("+");
    await repaints(page, () => page.keyboard.press("Space"));
    await page.keyboard.press("Shift+ArrowLeft");
    await repaints(page, () => page.keyboard.press("Alt+ArrowRight"));
    await expectUndo(page, "Faded a photo");
    // Not Escape: the first one closes a hint that may still be open over a button.
    await page.keyboard.press("Enter");
    await expect(layer).toHaveCount(0);
    await expect(page.getByRole("button", { name: "Brush further" })).toBeVisible();
    await repaints(page, () => page.getByRole("button", { name: "All of the photo again" }).click());
    expect(near(await colourIn(page, 1, 0.5, 0.5), paper)).toBeGreaterThan(20);
    await undoButton(page).click();
  });

  await test.step("several fade into the page by themselves, and again without adding up", async () => {
    await tile(page, 2).click();
    await tile(page, 3).click({ modifiers: ["Control"] });
    await expect(page.getByRole("heading", { name: "2 tiles" })).toBeVisible();
    await repaints(page, () => page.getByRole("button", { name: "Fade into the page" }).click());
    await expectUndo(page, "Faded 2 photos");
    for (const [x, y] of [
      [0.001, 0.5],
      [0.5, 0.001],
      [0.998, 0.998],
    ] as const)
      expect(near(await colourIn(page, 2, x, y), paper)).toBeLessThan(24);
    const once = await paintedPage(page);
    await page.getByRole("button", { name: "Fade into the page" }).click();
    await expect.poll(async () => differing(await paintedPage(page), once)).toBeLessThan(0.001);
  });

  await test.step("one border around three tiles as if they were one shape, changed from any of them", async () => {
    await tile(page, 1).click({ modifiers: ["Control"] });
    await expect(page.getByRole("heading", { name: "3 tiles" })).toBeVisible();
    await openSection(page, /^Outline and border/);
    await repaints(page, () => typeInto(page, "Around all", "2"));
    await expectUndo(page, "Changed the border around 3 tiles");
    await tile(page, 1).click();
    await expect(page.getByRole("heading", { name: "This tile" })).toBeVisible();
    await repaints(page, () => typeInto(page, "Away by", "1"));
    await expectUndo(page, "Changed the border around 3 tiles");
    await repaints(page, () => page.getByRole("button", { name: "No border around them" }).click());
    await expect(page.getByRole("textbox", { name: "Around all" })).toHaveCount(0);
    await undoButton(page).click();
    await expect(page.getByRole("textbox", { name: "Around all" })).toHaveValue("2");
  });

  await test.step("with a soft edge, a shadow and a tone over it, in files as on screen", async () => {
    await typeInto(page, "Soft edge", "4");
    await page.getByText("Under it", { exact: true }).click();
    await nobodyChosen(page);
    await expectKept(page);
    await page.mouse.move(5, 400);
    await expectFilesAsOnScreen(page, await paintedPage(page));
  });

  await test.step("the finished page inside a white border: told when the cut may spoil it, mended, and so in every file", async () => {
    await page.getByRole("link", { name: /Pages/ }).click();
    const painted = await paintedPage(page);
    await openSection(page, /^White border/);
    await page.getByText("Set the page inside a border").click();
    await expectUndo(page, "Changed the border around the page");
    await typeInto(page, "Width", "9");
    await expect(page.getByRole("complementary").getByText(/Too thin to be sure/)).toBeVisible();
    await typeInto(page, "Width", "90");
    await expect(page.getByText(/At most 50 mm/)).toBeVisible();
    // The page that one works on stays as it is.
    expect(await differing(await paintedPage(page), painted)).toBeLessThan(0.001);
    await page.getByRole("link", { name: /Check/ }).click();
    await expect(page.getByText("A border around the page that may be cut crooked")).toBeVisible();
    await page.getByRole("button", { name: "A wider border" }).click();
    await expect(page.getByText("A border around the page that may be cut crooked")).toHaveCount(0);
    await expectFilesAsOnScreen(page, await insideBorder(painted, 13));
  });

  await test.step("a head that the border hides a part of is told, and is whole again by keeping all of the page", async () => {
    await page.getByRole("link", { name: /Pages/ }).click();
    await nobodyChosen(page);
    await typeInto(page, "Margin", "0");
    await openSection(page, /^White border/);
    await typeInto(page, "Width", "20");
    const name = (await tile(page, 1).getAttribute("aria-label"))!.replace(/^.*?: /, "");
    await page.getByRole("link", { name: /Photos/ }).click();
    await page.getByRole("listbox", { name: "Photos" }).getByRole("option", { name }).dblclick();
    const sheet = page.getByRole("complementary", { name: "About this photo" });
    await sheet.getByRole("button", { name: "Add a face" }).click();
    const at = await box(sheet.locator("img").first());
    await page.mouse.move(at.x + 0.44 * at.width, at.y + 0.07 * at.height);
    await page.mouse.down();
    await page.mouse.move(at.x + 0.56 * at.width, at.y + 0.27 * at.height, { steps: 4 });
    await page.mouse.up();
    await expectUndo(page, "Changed what must be seen");
    await page.keyboard.press("Escape");
    await page.getByRole("link", { name: /Check/ }).click();
    const told = page.getByText("A photo with a head under the border");
    await expect(told).toBeVisible();
    await page.getByRole("button", { name: "Show all of the page" }).click();
    await expect(told).toHaveCount(0);
    await undoButton(page).click();
    await expect(told).toBeVisible();
  });
});

/** A painted page of 200 × 150 mm with 3 mm of bleed, smaller in the middle of its own sheet, under an even border of so many mm. */
async function insideBorder(painted: Buffer, mm: number): Promise<Buffer> {
  const { width = 0, height = 0 } = await sharp(painted).metadata();
  const px = width / 206;
  const k = Math.max((200 - 2 * mm) / 200, (150 - 2 * mm) / 150);
  const [w, h] = [Math.round(width * k), Math.round(height * k)];
  const small = await sharp(painted).removeAlpha().resize(w, h, { fit: "fill" }).png().toBuffer();
  const by = Math.round((mm + 3) * px);
  const inner = {
    left: Math.round(by - (width - w) / 2),
    top: Math.round(by - (height - h) / 2),
    width: width - 2 * by,
    height: height - 2 * by,
  };
  const seen = await sharp(small).extract(inner).png().toBuffer();
  return sharp({ create: { width, height, channels: 3, background: "#ffffff" } })
    .composite([{ input: seen, left: by, top: by }])
    .png()
    .toBuffer();
}
