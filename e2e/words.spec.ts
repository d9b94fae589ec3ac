import { readFile } from "node:fs/promises";
import { expect, type Page, test } from "@playwright/test";
import sharp from "sharp";
import { withPhotos } from "./support/prepared.ts";
import {
  addWords,
  arrangeFirst,
  box,
  differing,
  drag,
  expectKept,
  expectUndo,
  nobodyChosen,
  openDrawer,
  paintedPage,
  printOfPage,
  startCollage,
  tile,
  tiles,
  undoButton,
} from "./support/tessip.ts";

const free = (page: Page) => page.getByRole("listbox", { name: "What lies freely on the page" }).getByRole("option");

test("words on a page: typed in place, dressed, following photos, on cards, over a background, and in print", async ({
  page,
}) => {
  await withPhotos(page, 8);
  await startCollage(page, "Quayside Collage Press", "8 × 8 in");
  await arrangeFirst(page, 4);
  await page.keyboard.press("Escape");

  const places = page.getByRole("group", { name: "Where they stand" });

  await test.step("a title gets a strip of its own on a full page, is typed there, and its strip grows with it", async () => {
    await addWords(page, "A title");
    await page.keyboard.type("A year aboad\nfrom lock to lock");
    const title = tiles(page)
      .filter({ hasText: "" })
      .and(page.getByRole("option", { name: /words: A year/ }));
    const before = await box(title);
    await page.keyboard.press("ArrowUp");
    await page.keyboard.press("End");
    await page.keyboard.press("ArrowLeft");
    await page.keyboard.type("r");
    await expect(title).toHaveAccessibleName(/words: A year aboard\s+from lock to lock/);
    await expectUndo(page, "Wrote words");
    await page.keyboard.press("End");
    await page.keyboard.type("\nand back again");
    await expect.poll(async () => (await box(title)).height).toBeGreaterThan(before.height + 10);
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await page.keyboard.press("Escape");
    await expect(page.getByTestId("writing")).toHaveCount(0);
  });

  await test.step("other places are offered as live pictures; over a calm part of a photo the words can be read", async () => {
    await expect(places.getByRole("button")).toHaveCount(3);
    await places.getByRole("button", { name: "Among the photos" }).click();
    await expectUndo(page, "Moved words");
    await expect(tiles(page)).toHaveCount(5);
    await places.getByRole("button", { name: "Over what is calm" }).click();
    await expect(free(page)).toHaveCount(1);
    await expect(tiles(page)).toHaveCount(4);
    await expect(page.getByText(/Hard to read/)).toHaveCount(0);
  });

  await test.step("a box that is too small says how many words are hidden, and is mended by its size or theirs", async () => {
    await page.getByRole("textbox", { name: "Size, pt" }).fill("14");
    await page.getByRole("textbox", { name: "Size, pt" }).press("Enter");
    await drag(page, page.locator('[data-grip="s"]'), { dx: 0, dy: -60 });
    const mark = free(page)
      .first()
      .getByText(/words? hidden/);
    await expect(mark).toBeVisible();
    await expect(page.getByRole("status").filter({ hasText: /words? hidden/ })).toBeVisible();
    await page.getByRole("button", { name: "Smaller words" }).click();
    await expectUndo(page, "Fitted words and their box");
    await expect(mark).toHaveCount(0);
    await undoButton(page).click();
    await expect(mark).toBeVisible();
    await page.getByRole("button", { name: "Larger place" }).click();
    await expect(mark).toHaveCount(0);
  });

  await test.step("marked letters look otherwise, by key and in the panel; what is typed beside them follows", async () => {
    const plain = await paintedPage(page);
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.press("Control+Home");
    await page.keyboard.press("Shift+End");
    await page.keyboard.press("Control+b");
    await expect(page.getByRole("button", { name: "Bold" })).toHaveAttribute("aria-pressed", "true");
    await expect(page.getByText(/for the marked letters/)).toBeVisible();
    await page.getByRole("button", { name: /^Font:/ }).click();
    await page.getByRole("menuitemradio", { name: /^Pacifico/ }).click();
    await page.getByRole("button", { name: "Colour: Clay" }).click();
    await expect.poll(async () => (await paintedPage(page)).equals(plain)).toBe(false);
    await page.getByTestId("writing").click({ position: { x: 5, y: 5 } });
    await page.keyboard.press("Control+End");
    await page.keyboard.press("Shift+Home");
    await expect(page.getByRole("button", { name: /^Font: EB Garamond/ })).toBeVisible();
    await page.keyboard.press("Escape");
    await undoButton(page).click();
    await undoButton(page).click();
    await undoButton(page).click();
    await expect.poll(async () => differing(await paintedPage(page), plain)).toBeLessThan(0.001);
  });

  await test.step("font, slope, alignment, turn and colour; what a font does not have cannot be pressed", async () => {
    const before = await printOfPage(page);
    await page.getByRole("combobox", { name: "Kind of font" }).selectOption("by hand");
    await page.getByRole("button", { name: /^Font:/ }).click();
    await expect(page.getByRole("menuitemradio")).toHaveCount(4);
    await page.getByRole("menuitemradio", { name: /^Caveat/ }).click();
    await expect(page.getByRole("button", { name: "Italic" })).toBeDisabled();
    await page.getByRole("button", { name: "Bold" }).click();
    await page.getByRole("button", { name: "To the right", exact: true }).click();
    await page.getByRole("button", { name: "Colour: Clay" }).click();
    await expect(page.getByRole("button", { name: "Bold" })).toHaveAttribute("aria-pressed", "true");
    expect(await printOfPage(page)).not.toBe(before);
    const field = page.getByRole("textbox", { name: "Turn, degrees" });
    await field.fill("12");
    await field.press("Enter");
    await expect(free(page).first()).toHaveAttribute("style", /rotate\(12deg\)/);
  });

  await test.step("words that lie freely are dragged, sized by their grip and moved by key", async () => {
    await page.getByRole("textbox", { name: "Turn, degrees" }).fill("0");
    await page.keyboard.press("Enter");
    const was = await box(free(page).first());
    await drag(page, free(page).first(), { dx: 30, dy: 120 }, { x: 0.2, y: 0.5 });
    await expectUndo(page, "Moved a tile");
    const moved = await box(free(page).first());
    expect(moved.y - was.y).toBeGreaterThan(90);
    await drag(page, page.locator('[data-grip="se"]'), { dx: -60, dy: 20 });
    const sized = await box(free(page).first());
    expect(moved.width - sized.width).toBeGreaterThan(40);
    await free(page).first().focus();
    await page.keyboard.press("Shift+ArrowDown");
    await expect.poll(async () => (await box(free(page).first())).y).toBeGreaterThan(sized.y + 5);
    await page.keyboard.press("Delete");
    await expect(free(page)).toHaveCount(0);
    await undoButton(page).click();
    await expect(free(page)).toHaveCount(1);
  });

  await test.step("captions under all photos, as high as their words, that follow the photo until they are edited", async () => {
    await nobodyChosen(page);
    await openDrawer(page, "Words");
    await page.getByRole("button", { name: "Captions for all photos" }).click();
    await expect(page.getByText(/captions are on the page now/)).toBeVisible();
    const captions = page.getByRole("option", { name: /^Tile .*: words:/ });
    const count = await captions.count();
    expect(count).toBeGreaterThan(1);
    await expect(tiles(page)).toHaveCount(4 + count);
    await expect(page.getByText(/words? hidden/)).toHaveCount(0);
    await captions.last().focus();
    await page.keyboard.press("Space");
    await expect(page.getByText("Follows the photo")).toBeVisible();
    await page.getByLabel("Follows the photo").selectOption("day");
    await expect(captions.last()).toHaveAccessibleName(/words: \d+ \w+ 2025/);
    await page.getByLabel("Days in all of this project are written in").selectOption({ label: "German" });
    await expect(captions.last()).toHaveAccessibleName(/words: \d+\. \p{L}+ 2025/u);
    await undoButton(page).click();
    await expect(captions.last()).toHaveAccessibleName(/words: \d+ \w+ 2025/);
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.type("By hand");
    await page.keyboard.press("Escape");
    await expect(captions.last()).toHaveAccessibleName(/words: By hand/);
    await expect(page.getByText("Follows the photo")).toHaveCount(0);
    // A caption that was written over on the page goes back to its photo.
    await captions.first().focus();
    await page.keyboard.press("Space");
    // The panel is a moment behind.
    await expect(page.getByText("Follows the photo")).toBeVisible();
    await page.getByRole("button", { name: "Write", exact: true }).click();
    await page.keyboard.type("Down by the quay");
    await page.keyboard.press("Escape");
    await page.getByRole("button", { name: "Make this the photo’s caption" }).click();
    await expect(page.getByText("Follows the photo")).toBeVisible();
    await expect(captions.first()).toHaveAccessibleName(/words: Down by the quay/);
    await undoButton(page).click();
    await expect(page.getByText("Follows the photo")).toHaveCount(0);
    await page.keyboard.press("Control+Shift+z");
  });

  await test.step("a tile becomes a lined journaling card, in a colour that is kept with the work", async () => {
    const last = tile(page, await tiles(page).count());
    await last.click();
    await page.keyboard.press("Delete");
    await page.getByRole("button", { name: "Write here" }).click();
    await page.keyboard.press("Escape");
    await page.getByLabel("Card", { exact: true }).selectOption({ label: "lined" });
    await expect(last).toHaveAccessibleName(/a blank card for a story/);
    await page.getByRole("button", { name: "Card colour: Another colour" }).click();
    const typed = page.getByRole("textbox", { name: "Card colour: Another colour" });
    await typed.fill("#ddeeff");
    await typed.press("Enter");
    await expect(page.getByRole("group", { name: "From the photos" }).getByRole("button").first()).toBeVisible();
    await page.getByRole("button", { name: "Keep #ddeeff in the palette" }).click();
    await page.keyboard.press("Escape");
    await expect(page.getByRole("button", { name: "Colour: #ddeeff", exact: true })).toBeVisible();
  });

  await test.step("a photo behind the page, veiled", async () => {
    await nobodyChosen(page);
    await openDrawer(page, "Photos");
    await page.getByRole("listbox", { name: "Shelf" }).getByRole("option").nth(6).click();
    const before = await printOfPage(page);
    await page.getByRole("button", { name: "Lay this photo behind the page" }).click();
    await expectUndo(page, "Changed the background");
    await expect.poll(() => printOfPage(page)).not.toBe(before);
  });

  await test.step("all of it is kept, and the print file shows what the screen shows", async () => {
    await nobodyChosen(page);
    await expectKept(page);
    const made = await paintedPage(page);
    await page.reload();
    await expect(free(page)).toHaveCount(1);
    // The photo behind the page may come a moment after the others.
    await expect.poll(async () => differing(await paintedPage(page), made)).toBeLessThan(0.01);
    const screen = await paintedPage(page);
    await page.getByRole("link", { name: /Send/ }).click();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "Save the JPEG to disk" }).click();
    const file = await readFile(await (await download).path());
    const [a, b] = await Promise.all(
      [screen, file].map((bytes) => sharp(bytes).removeAlpha().resize(400, 400, { fit: "fill" }).raw().toBuffer()),
    );
    let off = 0;
    for (let i = 0; i < a!.length; i += 3)
      if (Math.max(...[0, 1, 2].map((c) => Math.abs(a![i + c]! - b![i + c]!))) > 40) off += 1;
    expect(off / (a!.length / 3)).toBeLessThan(0.02);
  });
});
