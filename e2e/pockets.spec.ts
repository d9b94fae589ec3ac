import { readFile } from "node:fs/promises";
import { type Download, expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  expectKept,
  expectUndo,
  longMs,
  openDrawer,
  shelfPhotos,
  tile,
  tiles,
  typeInto,
  undoButton,
} from "./support/tessip.ts";

const run = (page: Page) => page.getByRole("listbox", { name: "The pages of this project" }).getByRole("option");

test("pocket pages: a pattern with true sizes, filled, a photo through several, backs, own pockets, and cards as prints", async ({
  page,
}) => {
  await withPhotos(page, 8);
  await page.getByText("Pocket pages", { exact: true }).click();
  await page.getByText("6 × 8 in", { exact: true }).click();
  await page.getByText("4 portrait, 3 × 4 in", { exact: true }).click();
  await page.getByRole("button", { name: "Start these pages" }).click();
  await expect(page.getByRole("region", { name: "The page on its mat" })).toBeVisible();

  await test.step("a leaf has a front and a back of the same pockets", async () => {
    await expect(run(page)).toHaveCount(2);
    await expect(tiles(page)).toHaveCount(4);
    await expect(page.getByText("This is the front of its leaf.")).toBeVisible();
    await page.keyboard.press("PageDown");
    await expect(page.getByText("This is the back: the same pockets, mirrored.")).toBeVisible();
    await page.keyboard.press("PageUp");
  });

  await test.step("photos fill the pockets and never change them", async () => {
    await shelfPhotos(page).first().click();
    for (let i = 0; i < 2; i += 1) await page.keyboard.press("Shift+ArrowRight");
    await page.getByRole("button", { name: "Arrange 3 photos" }).click();
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("5 empty");
    await expect(tiles(page)).toHaveCount(4);
    await tile(page, 4).click();
    await page.getByRole("button", { name: "Write here" }).click();
    await page.keyboard.type("Moving day");
    await page.keyboard.press("Escape");
    await page.getByLabel("Card", { exact: true }).selectOption({ label: "lined" });
    await expect(tile(page, 4)).toHaveAccessibleName(/words: Moving day/);
    await expect(page.getByRole("link", { name: /Pages/ })).toContainText("4 empty");
  });

  await test.step("a paper goes into a pocket", async () => {
    await page.getByRole("link", { name: /Photos/ }).click();
    await expect(page.getByRole("heading", { name: "8 photos" })).toBeVisible();
    await page.getByText("Papers", { exact: true }).click();
    await page.getByRole("button", { name: "Try the sample papers" }).click();
    await expect(page.getByRole("option").nth(1)).toBeVisible();
    await page.getByText("Photos", { exact: true }).last().click();
    await page.getByRole("link", { name: /Pages/ }).click();
    await run(page).nth(1).click();
    await expect(page.getByText("This is the back: the same pockets, mirrored.")).toBeVisible();
    await tile(page, 1).click();
    await openDrawer(page, "Papers");
    await page.getByRole("group", { name: "Papers" }).getByRole("button").first().click();
    await expectUndo(page, "Filled a tile");
    await page.keyboard.press("Escape");
    await page.keyboard.press("PageUp");
  });

  await test.step("one photo runs through several pockets of the back", async () => {
    await page.keyboard.press("Escape");
    await page.keyboard.press("PageDown");
    await tile(page, 1).click();
    await tile(page, 2).click({ modifiers: ["Control"] });
    await tile(page, 3).click({ modifiers: ["Control"] });
    await tile(page, 4).click({ modifiers: ["Control"] });
    await openDrawer(page, "Photos");
    await shelfPhotos(page).nth(5).click();
    await page.getByRole("button", { name: "One photo through all of these" }).click();
    await expectUndo(page, "Filled 4 tiles");
    await expect(page.getByRole("link", { name: /Pages/ })).not.toContainText("empty");
  });

  await test.step("cards smaller than their pockets by as much as is typed", async () => {
    await page.keyboard.press("Escape");
    const field = page.getByRole("textbox", { name: "Card smaller than its pocket by" });
    await field.fill("4 mm");
    await field.press("Enter");
    await expectUndo(page, "Changed the book");
    await undoButton(page).click();
  });

  await test.step("one card has a bleed of its own", async () => {
    await tile(page, 2).click();
    await typeInto(page, "Bleed of this card", "3 mm");
    await page.getByRole("button", { name: "Bleed as all cards have it" }).click();
    await expect(page.getByRole("textbox", { name: "Bleed of this card" })).toHaveValue("0.08");
    await typeInto(page, "Bleed of this card", "5 mm");
    await expectUndo(page, "Changed the bleed");
    await page.keyboard.press("Escape");
  });

  await test.step("another leaf, with pockets of one's own: by number, and drawn", async () => {
    await page.getByRole("button", { name: "Another leaf, front and back" }).last().click();
    await expect(run(page)).toHaveCount(4);
    await page.getByRole("button", { name: "Pockets by numbers …" }).click();
    await page.getByRole("textbox", { name: "Side by side" }).fill("1");
    await page.getByRole("textbox", { name: "Side by side" }).press("Enter");
    await page.getByRole("textbox", { name: "One above the other" }).fill("2");
    await page.getByRole("textbox", { name: "One above the other" }).press("Enter");
    await expect(page.getByText(/^2 pockets, /)).toBeVisible();
    await page.getByRole("button", { name: "Make these pockets" }).click();
    await expect(tiles(page)).toHaveCount(2);
    await page.getByRole("button", { name: "Draw pockets of my own" }).click();
    await expect(tiles(page)).toHaveCount(1);
    await tile(page, 1).click();
    await page.getByRole("button", { name: "Split side by side" }).click();
    await expect(tiles(page)).toHaveCount(2);
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Keep these as pockets" }).click();
    await expect(page.getByText("Pockets of this leaf")).toBeVisible();
    await expect(tiles(page)).toHaveCount(2);
  });

  await test.step("empty pockets are no mistake to the check", async () => {
    await page.getByRole("link", { name: /^Check/ }).click();
    await expect(page.getByTestId("findings")).toHaveAttribute("aria-busy", "false", { timeout: longMs });
    await expect(page.getByText(/An? empty tile|empty tiles/)).toHaveCount(0);
    await expect(page.getByRole("img", { name: /photos?: \d+ as sharp/ })).toBeVisible();
  });

  await test.step("each card as its own print, exact to the pixel; or whole pages", async () => {
    await expectKept(page);
    await page.getByRole("link", { name: /Send/ }).click();
    const downloads: Download[] = [];
    page.on("download", (d) => downloads.push(d));
    await page.getByRole("button", { name: "Save 8 JPEGs to disk" }).click();
    await expect(page.getByTestId("saved")).toBeVisible({ timeout: longMs });
    await expect.poll(() => downloads.length).toBe(8);
    expect(downloads[0]!.suggestedFilename()).toBe("My-pocket-pages-1-01.jpg");
    const px = (mm: number) => Math.round((mm / 25.4) * 300);
    for (const d of downloads) {
      const meta = await sharp(await readFile(await d.path())).metadata();
      const both = d.suggestedFilename() === "My-pocket-pages-2-02.jpg" ? 10 : 4;
      expect([meta.width, meta.height]).toEqual([px(76.2 + both), px(101.6 + both)]);
    }
    await page.getByRole("link", { name: /Pages/ }).click();
    await page.getByText("whole pages", { exact: true }).click();
    await page.getByRole("link", { name: /Send/ }).click();
    await expect(page.getByRole("button", { name: /Save \d+ JPEGs to disk/ })).toBeVisible();
    await page.getByText("Only this one").click();
    const whole = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const meta = await sharp(await readFile(await (await whole).path())).metadata();
    expect(meta.width).toBeGreaterThan(px(160));
  });
});
