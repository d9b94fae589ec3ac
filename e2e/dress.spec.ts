import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { onTop } from "./support/free-tiles.ts";
import { openSection, repaints, slider } from "./support/panel.ts";
import { withPhotos } from "./support/prepared.ts";
import {
  arrangeFirst,
  box,
  differing,
  everyKind,
  expectFilesAsOnScreen,
  expectKept,
  expectUndo,
  nobodyChosen,
  paintedPage,
  printOfPage,
  shelfPhotos,
  startOwnSize,
  tile,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

/** How light the page is just beside the middle of a tile's side, 0 to 255; so many mm outside. */
async function lightBeside(page: Page, n: number, side: "left" | "right" | "bottom", mm: number): Promise<number> {
  const [at, sheet] = await Promise.all([box(tile(page, n)), box(page.getByTestId("page"))]);
  const painted = sharp(await paintedPage(page));
  const { width = 0 } = await painted.metadata();
  const k = width / sheet.width;
  const by = (mm * sheet.width) / 206;
  const x = side === "left" ? at.x - by : side === "right" ? at.x + at.width + by : at.x + at.width / 2;
  const y = side === "bottom" ? at.y + at.height + by : at.y + at.height / 2;
  const part = { left: Math.round((x - sheet.x) * k), top: Math.round((y - sheet.y) * k), width: 1, height: 1 };
  const { channels } = await sharp(await painted.extract(part).removeAlpha().greyscale().png().toBuffer()).stats();
  return channels[0]!.mean;
}

test("shadows by one light, soft edges and borders: on the page, a tile, several; found where the cut takes them; in each kind of file as on screen", async ({
  page,
}) => {
  await withPhotos(page, 5);
  await startOwnSize(page, { widthMm: 200, heightMm: 150, ppi: 150, bleedMm: 3 });
  await arrangeFirst(page, 4);
  await typeInto(page, "Gap", "10");
  await typeInto(page, "Margin", "16");

  await test.step("all tiles of the page throw one, away from the light; the light is dragged, and moved by key", async () => {
    const bare = await paintedPage(page);
    await openSection(page, /^Shadow/);
    await repaints(page, () => page.getByText("Under it", { exact: true }).click());
    await expectUndo(page, "Changed the shadow");
    await slider(page, "Strength").fill("0.8");
    await slider(page, "Height").fill("4");
    await expect.poll(() => lightBeside(page, 1, "bottom", 1)).toBeLessThan(170);
    expect(await lightBeside(page, 1, "left", 3)).toBeGreaterThan(250);
    const lamp = page.locator("[data-light]");
    await lamp.scrollIntoViewIfNeeded();
    const pad = await box(lamp);
    await repaints(page, async () => {
      await page.mouse.move(pad.x + pad.width / 2, pad.y + pad.height / 2);
      await page.mouse.down();
      await page.mouse.move(pad.x + pad.width - 8, pad.y + pad.height / 2, { steps: 4 });
      await page.mouse.up();
    });
    await expectUndo(page, "Changed where the light comes from");
    await expect(page.getByText(/from the right, low/)).toBeVisible();
    await expect.poll(() => lightBeside(page, 1, "left", 3)).toBeLessThan(220);
    await slider(page, "Where the light comes from").focus();
    await repaints(page, () => page.keyboard.press("ArrowRight"));
    await page.getByRole("button", { name: "Light from the top left again" }).click();
    await expect.poll(() => lightBeside(page, 1, "left", 3)).toBeGreaterThan(250);
    await repaints(page, () => page.getByText("None", { exact: true }).click());
    await expect.poll(async () => differing(await paintedPage(page), bare)).toBeLessThan(0.001);
    await undoButton(page).click();
    await expect.poll(() => lightBeside(page, 1, "bottom", 1)).toBeLessThan(170);
  });

  await test.step("a tile fades into the page on all sides, then on some; its shadow fades with it; undone step by step", async () => {
    await tile(page, 1).click();
    await openSection(page, /^Outline and border/);
    const hard = await printOfPage(page);
    await repaints(page, () => slider(page, "Soft edge").fill("9"));
    await expectUndo(page, "Changed the soft edges");
    await page.getByRole("button", { name: "Each side by itself" }).click();
    await repaints(page, () => typeInto(page, "Soft at the bottom", "0"));
    await repaints(page, () => page.getByRole("button", { name: "All sides alike" }).click());
    await undoButton(page).click();
    await undoButton(page).click();
    await undoButton(page).click();
    await expect.poll(() => printOfPage(page)).toBe(hard);
    await page.keyboard.press("Control+Shift+z");
    await page.keyboard.press("Control+Shift+z");
    await expect(page.getByRole("textbox", { name: "Soft at the bottom" })).toHaveValue("0");
  });

  await test.step("a shadow inside, set by hand; a border outside with a finer line; as the page again", async () => {
    await nobodyChosen(page);
    await tile(page, 2).click();
    await openSection(page, /^Shadow/);
    await repaints(page, () => page.getByText("Inside it", { exact: true }).click());
    await page.getByText("Set it by hand", { exact: true }).click();
    await repaints(page, () => slider(page, "To the right").fill("6"));
    await repaints(page, () => typeInto(page, "Blur", "3"));
    await repaints(page, () => typeInto(page, "Border", "3"));
    await repaints(page, () => page.getByRole("button", { name: "Border colour: Clay" }).click());
    await repaints(page, () => page.getByText("Outside", { exact: true }).click());
    await repaints(page, () => page.getByText("A second line inside", { exact: true }).click());
    await repaints(page, () => page.getByRole("button", { name: "Colour of the second line: White" }).click());
    const dressed = await printOfPage(page);
    await repaints(page, () => page.getByRole("button", { name: "Edges and shadow as the page has them" }).click());
    await expect(page.getByRole("textbox", { name: "Border", exact: true })).toHaveValue("0");
    await undoButton(page).click();
    await expect.poll(() => printOfPage(page)).toBe(dressed);
  });

  await test.step("several at once, and one that lies freely, turned and let through a little", async () => {
    await nobodyChosen(page);
    await tile(page, 3).click();
    await tile(page, 4).click({ modifiers: ["Shift"] });
    await repaints(page, () => slider(page, "Soft edge").fill("5"));
    await expectUndo(page, "Changed the soft edges");
    await nobodyChosen(page);
    await shelfPhotos(page).nth(4).click({ button: "right" });
    await page.getByRole("menuitem", { name: "Lay it freely on the page" }).click();
    await expect(onTop(page, 1)).toBeVisible();
    await nobodyChosen(page);
    await onTop(page, 1).focus();
    await page.keyboard.press("Space");
    await repaints(page, () => typeInto(page, "Turn, degrees", "12"));
    await repaints(page, () => typeInto(page, "Opacity, %", "80"));
    await repaints(page, () => typeInto(page, "Width", "60"));
  });

  await test.step("a shadow that the cut goes through is found, and lowered by a click", async () => {
    await nobodyChosen(page);
    await onTop(page, 1).focus();
    await page.keyboard.press("Space");
    await typeInto(page, "Turn, degrees", "0");
    await repaints(page, () => typeInto(page, "From the left", "138"));
    await page.getByRole("link", { name: /^Check/ }).click();
    await expect(page.getByTestId("findings")).toHaveAttribute("aria-busy", "false");
    await expect(page.getByText("A shadow that the cut goes through")).toBeVisible();
    await page.getByRole("button", { name: "A lower shadow" }).click();
    await expect(page.getByText("A shadow that the cut goes through")).toHaveCount(0);
    await page.getByRole("link", { name: /^Pages/ }).click();
    await nobodyChosen(page);
    await onTop(page, 1).focus();
    await page.keyboard.press("Space");
    await repaints(page, () => typeInto(page, "Turn, degrees", "-8"));
    await nobodyChosen(page);
  });

  await test.step("all of it is kept over a reload, and each kind of file shows what the screen shows", async () => {
    await expectKept(page);
    const before = await paintedPage(page);
    await page.reload();
    await expect.poll(async () => differing(await paintedPage(page), before)).toBeLessThan(0.002);
    await expectFilesAsOnScreen(page, await paintedPage(page), everyKind);
  });
});
